package org.morphotera.server.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** A made-up field: what it is, what was done to it, and how its soil goes over six years, stop by stop. */
final class DemoField {

    /**
     * Something done.
     *
     * @param stops indices of the stops it was done at; empty for all
     */
    record DemoEvent(double yearsAgo, String kind, String what, String rate, Double cost, List<Integer> stops) {}

    /** What a soil is when nothing is said of it: a fair loam. */
    private static final Map<String, Double> USUAL = Map.ofEntries(
            Map.entry("cover", 78.0),
            Map.entry("vigour", 1.4),
            Map.entry("surface-groups", 4.0),
            Map.entry("pan-depth", 0.0),
            Map.entry("strength", 1300.0),
            Map.entry("infiltration", 42.0),
            Map.entry("infiltration-at-200", 26.0),
            Map.entry("drainage", 34.0),
            Map.entry("structure", 2.3),
            Map.entry("porosity", 1.4),
            Map.entry("smell", 1.5),
            Map.entry("mottled", 3.0),
            Map.entry("grey", 0.0),
            Map.entry("paler", 0.6),
            Map.entry("worms", 7.5),
            Map.entry("roots", 0.72),
            Map.entry("glue", 0.62),
            Map.entry("cloud", 0.05),
            Map.entry("deep-cloud", 0.05),
            Map.entry("ph", 6.5),
            Map.entry("deep-ph", 6.6),
            Map.entry("fizz", 0.0),
            Map.entry("ece", 0.8),
            Map.entry("esp", 2.0),
            Map.entry("cec", 16.0),
            Map.entry("organic", 3.4),
            Map.entry("co2", 34.0),
            Map.entry("biomass", 320.0),
            Map.entry("n", 2.0),
            Map.entry("p", 2.5),
            Map.entry("k", 2.5),
            Map.entry("slope", 1.0),
            Map.entry("rills", 0.0),
            Map.entry("crust", 0.0));

    final String grower;
    final String name;
    final String landUse;
    final String crop;
    final double areaHa;
    final String texture;
    final String purpose;
    final String note;
    final List<String> stops;
    final List<DemoEvent> events = new ArrayList<>();
    private final Map<String, DemoCourse> courses = new LinkedHashMap<>();
    private final Map<String, Double> offsets = new HashMap<>();
    /** Earlier visits fell into another season and a drier soil: what changed since then may only look so. */
    boolean earlierVisitsUnlike;
    /** No laboratory was asked for exchangeable sodium yet. */
    boolean sodiumUnknown;

    DemoField(
            String grower,
            String name,
            String landUse,
            String crop,
            double areaHa,
            String texture,
            String purpose,
            String note,
            List<String> stops) {
        this.grower = grower;
        this.name = name;
        this.landUse = landUse;
        this.crop = crop;
        this.areaHa = areaHa;
        this.texture = texture;
        this.purpose = purpose;
        this.note = note;
        this.stops = stops;
    }

    static List<String> numbered(int count) {
        return IntStream.rangeClosed(1, count).mapToObj(i -> "Stop " + i).toList();
    }

    /** The same all the time: name and figure, name and figure. */
    DemoField is(Object... namesAndFigures) {
        for (int i = 0; i < namesAndFigures.length; i += 2) {
            courses.put(
                    (String) namesAndFigures[i], DemoCourse.steady(((Number) namesAndFigures[i + 1]).doubleValue()));
        }
        return this;
    }

    /** Moves from one figure to another, beginning so many years ago. */
    DemoField goes(String name, double before, double after, double sinceYears, double overYears) {
        courses.put(name, new DemoCourse(before, after, sinceYears, overYears));
        return this;
    }

    /** One stop stands apart by so much. */
    DemoField at(int stop, String name, double offset) {
        offsets.put(stop + name, offset);
        return this;
    }

    DemoField done(double yearsAgo, String kind, String what, String rate, Double cost, Integer... stops) {
        events.add(new DemoEvent(yearsAgo, kind, what, rate, cost, List.of(stops)));
        return this;
    }

    DemoField sodiumUnknown() {
        sodiumUnknown = true;
        return this;
    }

    DemoField unlikeEarlier() {
        earlierVisitsUnlike = true;
        return this;
    }

    /** A property at a stop, so many years before today. */
    double value(String name, int stop, double yearsAgo) {
        DemoCourse course = courses.getOrDefault(name, DemoCourse.steady(USUAL.get(name)));
        return course.at(yearsAgo) + offsets.getOrDefault(stop + name, 0.0);
    }
}
