package org.morphotera.core.method.block.colour;

import org.morphotera.core.photo.Lab;

/** CIEDE2000 colour difference (Sharma, Wu and Dalal, 2005) between two notations. */
final class ColourDifference {

    /** C* of one step of chroma. */
    static final double CHROMA_STEP = 5.5;

    private static final double POW_25_7 = Math.pow(25, 7);

    private ColourDifference() {}

    /** Approximate Lab: L* = 10 × value, C* = 5.5 × chroma, hue angle of the page. */
    static double between(Colour.Notation one, Colour.Notation other) {
        return ciede2000(lab(one), lab(other));
    }

    /** About what a notation looks like on a screen. */
    static Lab shown(Colour.Notation colour) {
        double[] lab = lab(colour);
        return new Lab(lab[0], lab[1], lab[2]);
    }

    private static double[] lab(Colour.Notation colour) {
        return lab(colour.value(), colour.chroma(), colour.hue().angle());
    }

    /** Approximate Lab of a value, a chroma and a hue angle in degrees. */
    static double[] lab(double value, double chroma, double degrees) {
        double angle = Math.toRadians(degrees);
        double strength = CHROMA_STEP * chroma;
        return new double[] {10 * value, strength * Math.cos(angle), strength * Math.sin(angle)};
    }

    /** @param one L*, a*, b* */
    static double ciede2000(double[] one, double[] other) {
        double meanChroma = (Math.hypot(one[1], one[2]) + Math.hypot(other[1], other[2])) / 2;
        double seventh = Math.pow(meanChroma, 7);
        double g = 0.5 * (1 - Math.sqrt(seventh / (seventh + POW_25_7)));
        double a1 = one[1] * (1 + g);
        double a2 = other[1] * (1 + g);
        double c1 = Math.hypot(a1, one[2]);
        double c2 = Math.hypot(a2, other[2]);
        double h1 = hue(a1, one[2]);
        double h2 = hue(a2, other[2]);
        double turn = c1 * c2 == 0 ? 0 : wrapped(h2 - h1);
        double deltaH = 2 * Math.sqrt(c1 * c2) * Math.sin(Math.toRadians(turn / 2));
        double meanC = (c1 + c2) / 2;
        double meanH = meanHue(h1, h2, c1 * c2);
        double t = 1
                - 0.17 * cos(meanH - 30)
                + 0.24 * cos(2 * meanH)
                + 0.32 * cos(3 * meanH + 6)
                - 0.20 * cos(4 * meanH - 63);
        double lightness = Math.pow((one[0] + other[0]) / 2 - 50, 2);
        double rotation = 60 * Math.exp(-Math.pow((meanH - 275) / 25, 2));
        double meanSeventh = Math.pow(meanC, 7);
        double rc = 2 * Math.sqrt(meanSeventh / (meanSeventh + POW_25_7));
        double l = (other[0] - one[0]) / (1 + 0.015 * lightness / Math.sqrt(20 + lightness));
        double c = (c2 - c1) / (1 + 0.045 * meanC);
        double h = deltaH / (1 + 0.015 * meanC * t);
        double cross = -Math.sin(Math.toRadians(rotation)) * rc * c * h;
        return Math.sqrt(Math.max(0, l * l + c * c + h * h + cross));
    }

    private static double hue(double a, double b) {
        if (a == 0 && b == 0) {
            return 0;
        }
        double degrees = Math.toDegrees(Math.atan2(b, a));
        return degrees < 0 ? degrees + 360 : degrees;
    }

    private static double wrapped(double degrees) {
        return degrees > 180 ? degrees - 360 : degrees < -180 ? degrees + 360 : degrees;
    }

    private static double meanHue(double h1, double h2, double chromas) {
        double sum = h1 + h2;
        if (chromas == 0) {
            return sum;
        }
        if (Math.abs(h1 - h2) <= 180) {
            return sum / 2;
        }
        return sum < 360 ? (sum + 360) / 2 : (sum - 360) / 2;
    }

    private static double cos(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }
}
