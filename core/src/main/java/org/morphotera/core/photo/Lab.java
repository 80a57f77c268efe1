package org.morphotera.core.photo;

/**
 * Colours as CIE 1976 L*a*b* of the 2° observer in daylight D65 (CIE, 2018), from sRGB (IEC 61966-2-1) or from its
 * linear light.
 *
 * @param l lightness, 0 black to 100 white
 * @param a red over green
 * @param b yellow over blue
 */
public record Lab(double l, double a, double b) {

    private static final int LEVELS = 256;
    private static final double WHITE_X = 0.95047;
    private static final double WHITE_Z = 1.08883;
    private static final double EPSILON = 216.0 / 24_389;
    private static final double KAPPA = 24_389.0 / 27;

    private static final double[] LINEAR = new double[LEVELS];

    /** Cube roots are looked up for whole pictures; between two of so many steps they are taken as straight. */
    private static final int STEPS = 8192;

    private static final double[] ROOTS = new double[STEPS + 2];

    static {
        for (int i = 0; i < LEVELS; i++) {
            double share = i / 255.0;
            LINEAR[i] = share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4);
        }
        for (int i = 0; i < ROOTS.length; i++) {
            ROOTS[i] = root((double) i / STEPS);
        }
    }

    /** The nearest colour of a screen, as {@code #rrggbb}. */
    public String hex() {
        double fy = (l + 16) / 116;
        double x = WHITE_X * unroot(fy + a / 500);
        double y = unroot(fy);
        double z = WHITE_Z * unroot(fy - b / 200);
        return "#" + level(3.2404542 * x - 1.5371385 * y - 0.4985314 * z)
                + level(-0.9692660 * x + 1.8760108 * y + 0.0415560 * z)
                + level(0.0556434 * x - 0.2040259 * y + 1.0572252 * z);
    }

    private static double unroot(double f) {
        double cube = f * f * f;
        return cube > EPSILON ? cube : (116 * f - 16) / KAPPA;
    }

    /** Two digits of a level from linear light. */
    private static String level(double linear) {
        double within = Math.max(0, Math.min(1, linear));
        double share = within <= 0.0031308 ? 12.92 * within : 1.055 * Math.pow(within, 1 / 2.4) - 0.055;
        String digits = Integer.toHexString((int) Math.round(share * 255));
        return digits.length() == 1 ? "0" + digits : digits;
    }

    /** Linear light of an sRGB level of 0..255, 0..1. */
    public static double linear(int level) {
        return LINEAR[level];
    }

    /** Colour of linear light, each of 0..1 or a little over. */
    public static Lab ofLinear(double red, double green, double blue) {
        double x = root((0.4124564 * red + 0.3575761 * green + 0.1804375 * blue) / WHITE_X);
        double y = root(luminance(red, green, blue));
        double z = root((0.0193339 * red + 0.1191920 * green + 0.9503041 * blue) / WHITE_Z);
        return new Lab(116 * y - 16, 500 * (x - y), 200 * (y - z));
    }

    /** Colour of a point of a picture, to some ten-thousandths. */
    public static Lab of(Picture picture, int at) {
        double red = LINEAR[picture.red(at)];
        double green = LINEAR[picture.green(at)];
        double blue = LINEAR[picture.blue(at)];
        double x = looked((0.4124564 * red + 0.3575761 * green + 0.1804375 * blue) / WHITE_X);
        double y = looked(luminance(red, green, blue));
        double z = looked((0.0193339 * red + 0.1191920 * green + 0.9503041 * blue) / WHITE_Z);
        return new Lab(116 * y - 16, 500 * (x - y), 200 * (y - z));
    }

    /** Lightness of a point of a picture, to some ten-thousandths. */
    public static double lightness(Picture picture, int at) {
        return 116 * looked(luminance(LINEAR[picture.red(at)], LINEAR[picture.green(at)], LINEAR[picture.blue(at)]))
                - 16;
    }

    /** Luminance of linear light, 0..1 (Y of CIE 1931). */
    public static double luminance(double red, double green, double blue) {
        return 0.2126729 * red + 0.7151522 * green + 0.0721750 * blue;
    }

    /** Strength of the colour, C*. */
    public double chroma() {
        return Math.hypot(a, b);
    }

    /** Angle of the hue, 0..360°; 0 for a grey. */
    public double hue() {
        double angle = Math.toDegrees(Math.atan2(b, a));
        return angle < 0 ? angle + 360 : angle;
    }

    private static double root(double t) {
        return t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
    }

    private static double looked(double t) {
        double place = t * STEPS;
        int step = (int) place;
        if (step >= STEPS) {
            return root(t);
        }
        return ROOTS[step] + (place - step) * (ROOTS[step + 1] - ROOTS[step]);
    }
}
