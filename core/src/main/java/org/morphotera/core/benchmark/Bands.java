package org.morphotera.core.benchmark;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.morphotera.core.text.DataText;
import org.morphotera.core.text.DataTextException;

/**
 * Named classes of a figure, from low to high. Written {@code very-slow <1.5; slow <=5.1; …; rapid}: each band ends
 * under ({@code <}) or at ({@code <=}) its limit, the last has none.
 *
 * @param id key in the data file
 * @param source where the limits come from
 */
public record Bands(String id, List<Band> bands, String source) {

    /** Figures that were converted or divided lie on a limit when they are this near to it. */
    private static final double ON_THE_LIMIT = 1e-9;

    /** One class; {@code limit} is infinite for the last. */
    public record Band(String code, double limit, boolean limitIncluded) {}

    /** @throws IllegalArgumentException when the limits don't rise or the last band has one */
    public Bands {
        bands = List.copyOf(bands);
        for (int i = 1; i < bands.size(); i++) {
            if (!(bands.get(i).limit() > bands.get(i - 1).limit())) {
                throw new IllegalArgumentException("the limits of bands must rise");
            }
        }
        if (bands.isEmpty() || bands.get(bands.size() - 1).limit() != Double.POSITIVE_INFINITY) {
            throw new IllegalArgumentException("the last band must have no limit");
        }
    }

    static Bands parse(DataText.Section section, String id) {
        List<Band> bands = new ArrayList<>();
        try {
            for (String part : section.require("bands").split(";")) {
                String[] words = part.trim().split(" +");
                if (words.length == 1) {
                    bands.add(new Band(words[0], Double.POSITIVE_INFINITY, false));
                } else {
                    boolean included = words[1].startsWith("<=");
                    double limit = Double.parseDouble(words[1].substring(included ? 2 : 1));
                    bands.add(new Band(words[0], limit, included));
                }
            }
            return new Bands(id, bands, section.require("source"));
        } catch (NumberFormatException e) {
            throw new DataTextException(section.file(), section.line(), "bands are written \"code <limit; …; code\"");
        } catch (IllegalArgumentException e) {
            throw new DataTextException(section.file(), section.line(), e.getMessage());
        }
    }

    /** As a section of a data file, which {@link Benchmarks#with} reads. */
    public String section() {
        String each = bands.stream()
                .map(band -> band.limit() == Double.POSITIVE_INFINITY
                        ? band.code()
                        : band.code() + (band.limitIncluded() ? " <=" : " <") + band.limit())
                .collect(Collectors.joining("; "));
        return "[bands " + id + "]\nsource = " + source + "\nbands = " + each + "\n";
    }

    /** The code of the band that a figure falls into; what lies within 1e-9 of a limit lies on it. */
    public String of(double x) {
        for (Band band : bands) {
            if (x < band.limit() - ON_THE_LIMIT || band.limitIncluded() && x <= band.limit() + ON_THE_LIMIT) {
                return band.code();
            }
        }
        return bands.get(bands.size() - 1).code();
    }

    /** The codes, low to high. */
    public List<String> codes() {
        return bands.stream().map(Band::code).toList();
    }
}
