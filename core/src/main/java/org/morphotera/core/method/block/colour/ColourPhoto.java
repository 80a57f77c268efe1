package org.morphotera.core.method.block.colour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import org.morphotera.core.method.block.colour.Colour.Hue;
import org.morphotera.core.method.block.colour.Colour.Notation;
import org.morphotera.core.photo.Agreed;
import org.morphotera.core.photo.Lab;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.Picture;
import org.morphotera.core.photo.Spot;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * A soil's colour beside a grey patch in the same light. The light is made neutral on the patch, channel by channel;
 * value follows from luminance (ASTM D1535), chroma and hue from CIE 1976 L*a*b*, the nearest chips by CIEDE2000.
 */
public final class ColourPhoto implements PhotoReading<ColourPhoto.Inputs> {

    /**
     * @param grey where the grey patch is
     * @param greyReflectancePct how much light it gives back, %
     * @param soil where the soil is
     * @param radiusPct of both places, % of the picture's width
     */
    public record Inputs(Spot grey, Double greyReflectancePct, Spot soil, Double radiusPct) {}

    private record Chip(Notation colour, double deltaE) {}

    private static final double[] VALUES = {2, 3, 4, 5, 6, 7, 8};
    private static final double[] CHROMAS = {1, 2, 3, 4, 6, 8};
    private static final int SHOWN = 3;

    /** Known of value and chroma however even a patch is: of the camera's own making. */
    private static final double ALWAYS = 0.3;

    /** Linear light of a patch under which a camera's noise and its black are all there is. */
    private static final double NOTHING = 0.004;

    private static final double TOO_DARK = 0.04;

    /** The strongest over the weakest channel of a patch that can still be a grey one in some light. */
    private static final double NOT_GREY = 3;

    private static final int CLIPPED = 252;
    private static final double MANY = 0.05;

    /** Lightness over a patch, from its darkest to its lightest tenth, that is no more the patch's own. */
    private static final double UNEVEN_GREY = 8;

    private static final double UNEVEN_SOIL = 25;

    @Override
    public String kind() {
        return "colour";
    }

    @Override
    public String method() {
        return "colour";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.group("grey", Need.REQUIRED, Spot::read),
                fields.numberOr("greyReflectancePct", Unit.PERCENT, Range.between(2, 95), 18),
                fields.group("soil", Need.REQUIRED, Spot::read),
                fields.numberOr("radiusPct", Unit.PERCENT, Range.between(0.2, 20), 2));
    }

    /** A disc of a picture in linear light. */
    private record Patch(double[] mean, double clipped, double span, int[] points) {

        static Patch of(Picture picture, Spot spot, double radius) {
            int[] points = picture.disc(picture.column(spot), picture.row(spot), radius);
            double[] mean = new double[3];
            double[] lightness = new double[points.length];
            int clipped = 0;
            for (int i = 0; i < points.length; i++) {
                int at = points[i];
                mean[0] += Lab.linear(picture.red(at)) / points.length;
                mean[1] += Lab.linear(picture.green(at)) / points.length;
                mean[2] += Lab.linear(picture.blue(at)) / points.length;
                lightness[i] = Lab.lightness(picture, at);
                if (Math.max(picture.red(at), Math.max(picture.green(at), picture.blue(at))) >= CLIPPED) {
                    clipped++;
                }
            }
            Arrays.sort(lightness);
            double span = lightness[points.length - 1 - points.length / 10] - lightness[points.length / 10];
            return new Patch(mean, (double) clipped / points.length, span, points);
        }

        double strongest() {
            return Math.max(mean[0], Math.max(mean[1], mean[2]));
        }

        double weakest() {
            return Math.min(mean[0], Math.min(mean[1], mean[2]));
        }
    }

    @Override
    public Agreed agreed(Map<String, ?> proposed, Map<String, ?> recorded) {
        return new Agreed(chip(proposed).equals(chip(recorded)) ? 1 : 0, 1);
    }

    /** Page of the hue, value and chroma, however the figures are written. */
    private static List<String> chip(Map<String, ?> readings) {
        List<String> parts = new ArrayList<>();
        if (readings.get("sample") instanceof Map<?, ?> chip) {
            for (String name : List.of("hue", "value", "chroma")) {
                parts.add(String.valueOf(
                        chip.get(name) instanceof Number figure ? figure.doubleValue() : chip.get(name)));
            }
        }
        return parts;
    }

    @Override
    public List<Drawn> draw(Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        Map<?, ?> sample = readings.get("sample") instanceof Map<?, ?> chip ? chip : Map.of();
        Colour.Hue hue = Coded.find(Colour.Hue.values(), String.valueOf(sample.get("hue")));
        return List.of(Drawn.colour(
                PhotoReading.figure(sample, "value", 4),
                PhotoReading.figure(sample, "chroma", 3),
                (hue == null ? Colour.Hue.BROWN_10YR : hue).angle(),
                how,
                chance));
    }

    @Override
    public Answer propose(Inputs inputs, List<Picture> pictures) {
        Picture picture = pictures.get(0);
        double radius = Math.max(1, inputs.radiusPct() / 100 * picture.width());
        Patch grey = Patch.of(picture, inputs.grey(), radius);
        Patch soil = Patch.of(picture, inputs.soil(), radius);
        if (grey.weakest() < NOTHING) {
            return PhotoReading.refused("grey", "GREY_BLACK");
        }
        if (grey.strongest() > NOT_GREY * grey.weakest()) {
            return PhotoReading.refused("grey", "NOT_GREY");
        }
        if (grey.clipped() > MANY) {
            return PhotoReading.refused("grey", "GREY_GLARES");
        }
        double[] scale = new double[3];
        for (int i = 0; i < scale.length; i++) {
            scale[i] = inputs.greyReflectancePct() / 100 / grey.mean()[i];
        }
        Lab lab = Lab.ofLinear(soil.mean()[0] * scale[0], soil.mean()[1] * scale[1], soil.mean()[2] * scale[2]);
        double value =
                value(Lab.luminance(soil.mean()[0] * scale[0], soil.mean()[1] * scale[1], soil.mean()[2] * scale[2]));
        double chroma = lab.chroma() / ColourDifference.CHROMA_STEP;

        double[] spread = spread(picture, soil, scale, value, chroma);
        List<Chip> chips = chips(value, chroma, lab.hue());
        Evaluation.Builder out = Evaluation.of(method())
                .value("value", value, Unit.NONE, Math.max(0, value - spread[0]), Math.min(10, value + spread[0]))
                .value("chroma", chroma, Unit.NONE, Math.max(0, chroma - spread[1]), chroma + spread[1])
                .value("hueAngle", lab.hue(), Unit.DEGREE)
                .series("chips", chips.stream().map(ColourPhoto::row).toList());
        if (soil.clipped() > MANY || soil.span() > UNEVEN_SOIL || grey.span() > UNEVEN_GREY) {
            out.note("IN_SHADE_OR_GLARE", Severity.CAUTION);
        }
        if (grey.weakest() < TOO_DARK) {
            out.note("GREY_TOO_DARK", Severity.CAUTION);
        }
        Notation nearest = chips.get(0).colour();
        Map<String, Object> sample = new LinkedHashMap<>();
        sample.put("hue", nearest.hue().code());
        sample.put("value", nearest.value());
        sample.put("chroma", nearest.chroma());
        return new Answer.Proposed(out.build(), Map.of("sample", sample));
    }

    /** How far value and chroma of single points lie from the patch's, and what is never known better. */
    private static double[] spread(Picture picture, Patch soil, double[] scale, double value, double chroma) {
        double values = 0;
        double chromas = 0;
        for (int at : soil.points()) {
            double red = Lab.linear(picture.red(at)) * scale[0];
            double green = Lab.linear(picture.green(at)) * scale[1];
            double blue = Lab.linear(picture.blue(at)) * scale[2];
            double off = value(Lab.luminance(red, green, blue)) - value;
            values += off * off;
            off = Lab.ofLinear(red, green, blue).chroma() / ColourDifference.CHROMA_STEP - chroma;
            chromas += off * off;
        }
        // of the mean of what a finger covers, of which there are some dozens in a patch: a third of the points' own
        double each = 1.0 / soil.points().length;
        return new double[] {
            ALWAYS + Math.sqrt(values * each) / 3, ALWAYS + Math.sqrt(chromas * each) / 3,
        };
    }

    /**
     * Munsell value of a luminance (ASTM D1535).
     *
     * @param luminance 0..1 of a perfect white
     * @return 0..10
     */
    static double value(double luminance) {
        double y = 100 * luminance;
        double low = 0;
        double high = 10;
        for (int i = 0; i < 60; i++) {
            double middle = (low + high) / 2;
            if (luminancePct(middle) < y) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /** Luminance of a Munsell value, % of a perfect white (ASTM D1535). */
    static double luminancePct(double v) {
        return v * (1.1914 + v * (-0.22533 + v * (0.23352 + v * (-0.020484 + v * 0.00081939))));
    }

    private static List<Chip> chips(double value, double chroma, double angle) {
        double[] seen = ColourDifference.lab(value, chroma, angle);
        List<Chip> chips = new ArrayList<>();
        for (Hue hue : Hue.values()) {
            for (double v : VALUES) {
                for (double c : CHROMAS) {
                    Notation chip = new Notation(hue, v, c);
                    chips.add(
                            new Chip(chip, ColourDifference.ciede2000(seen, ColourDifference.lab(v, c, hue.angle()))));
                }
            }
        }
        chips.sort(Comparator.comparingDouble(Chip::deltaE));
        return chips.subList(0, SHOWN);
    }

    private static Map<String, Object> row(Chip chip) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("hue", chip.colour().hue().code());
        row.put("value", chip.colour().value());
        row.put("chroma", chip.colour().chroma());
        row.put("deltaE", chip.deltaE());
        return row;
    }
}
