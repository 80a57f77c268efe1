package org.morphotera.core.benchmark;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.text.DataText;
import org.morphotera.core.text.DataTextException;

/**
 * A breakpoint curve from a measured figure to a standing: linear between its points, flat outside them.
 *
 * @param id key in the data file
 * @param xs measured figures, rising
 * @param ys standings 0..1, as many as {@code xs}
 * @param source where the curve comes from (author, year, or "working benchmark")
 */
public record Curve(String id, List<Double> xs, List<Double> ys, String source) {

    /** @throws IllegalArgumentException when the points are not at least two, not rising, or leave 0..1 */
    public Curve {
        xs = List.copyOf(xs);
        ys = List.copyOf(ys);
        if (xs.size() < 2 || xs.size() != ys.size()) {
            throw new IllegalArgumentException("a curve needs at least two points");
        }
        for (int i = 0; i < xs.size(); i++) {
            if (i > 0 && !(xs.get(i) > xs.get(i - 1))) {
                throw new IllegalArgumentException("a curve's figures must rise from point to point");
            }
            if (!(ys.get(i) >= 0 && ys.get(i) <= 1)) {
                throw new IllegalArgumentException("a curve's standings must lie between 0 and 1");
            }
        }
    }

    static Curve parse(DataText.Section section, String id) {
        List<Double> xs = new ArrayList<>();
        List<Double> ys = new ArrayList<>();
        try {
            for (String point : section.require("points").split(" +")) {
                int colon = point.indexOf(':');
                xs.add(Double.parseDouble(point.substring(0, colon)));
                ys.add(Double.parseDouble(point.substring(colon + 1)));
            }
            return new Curve(id, xs, ys, section.require("source"));
        } catch (NumberFormatException | IndexOutOfBoundsException e) {
            throw new DataTextException(section.file(), section.line(), "points are written \"figure:standing …\"");
        } catch (IllegalArgumentException e) {
            throw new DataTextException(section.file(), section.line(), e.getMessage());
        }
    }

    /** As a section of a data file, which {@link Benchmarks#with} reads. */
    public String section() {
        StringBuilder points = new StringBuilder();
        for (int i = 0; i < xs.size(); i++) {
            points.append(' ').append(xs.get(i)).append(':').append(ys.get(i));
        }
        return "[curve " + id + "]\nsource = " + source + "\npoints =" + points + "\n";
    }

    /** The smallest figure of a standing, on a curve that rises; its ends for what lies outside. */
    public double figureOf(double standing) {
        for (int i = 1; i < xs.size(); i++) {
            if (standing <= ys.get(i) && ys.get(i) > ys.get(i - 1)) {
                double share = (standing - ys.get(i - 1)) / (ys.get(i) - ys.get(i - 1));
                return xs.get(i - 1) + Math.max(0, share) * (xs.get(i) - xs.get(i - 1));
            }
        }
        return xs.get(xs.size() - 1);
    }

    /** The standing of a figure, 0..1. */
    public double at(double x) {
        int last = xs.size() - 1;
        if (x <= xs.get(0)) {
            return ys.get(0);
        }
        for (int i = 1; i <= last; i++) {
            if (x <= xs.get(i)) {
                double share = (x - xs.get(i - 1)) / (xs.get(i) - xs.get(i - 1));
                return ys.get(i - 1) + share * (ys.get(i) - ys.get(i - 1));
            }
        }
        return ys.get(last);
    }

    /** The lowest standing of any figure between two, both included. */
    public double lowestBetween(double low, double high) {
        double lowest = Math.min(at(low), at(high));
        for (int i = 0; i < xs.size(); i++) {
            if (xs.get(i) > low && xs.get(i) < high) {
                lowest = Math.min(lowest, ys.get(i));
            }
        }
        return lowest;
    }

    /** The highest standing of any figure between two, both included. */
    public double highestBetween(double low, double high) {
        double highest = Math.max(at(low), at(high));
        for (int i = 0; i < xs.size(); i++) {
            if (xs.get(i) > low && xs.get(i) < high) {
                highest = Math.max(highest, ys.get(i));
            }
        }
        return highest;
    }
}
