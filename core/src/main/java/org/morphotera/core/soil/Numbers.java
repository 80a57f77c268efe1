package org.morphotera.core.soil;

/** Rounding and plain writing of figures, the same on the server and in the page. */
public final class Numbers {

    private static final double[] POWERS = new double[309];

    static {
        // parsed, not multiplied: a product of tens would carry its own rounding errors
        for (int i = 0; i < POWERS.length; i++) {
            POWERS[i] = Double.parseDouble("1e" + i);
        }
    }

    private Numbers() {}

    /**
     * Rounds to a number of significant digits, so that the last bits, which may differ between a JVM and a page,
     * are never shown or stored. Zero, infinite and tiny (under 1e-200) figures come back as 0 or unchanged.
     */
    public static double significant(double x, int digits) {
        double size = Math.abs(x);
        if (x == 0 || size < 1e-200) {
            return 0.0;
        }
        if (Double.isNaN(x) || Double.isInfinite(x) || size > 1e200) {
            return x;
        }
        int exponent = (int) Math.floor(Math.log10(size));
        int shift = digits - 1 - exponent;
        double rounded = shift >= 0
                ? Math.floor(size * POWERS[shift] + 0.5) / POWERS[shift]
                : Math.floor(size / POWERS[-shift] + 0.5) * POWERS[-shift];
        // ties away from zero: Math.rint takes ties to even on a JVM, but not in a page
        return x < 0 ? -rounded : rounded;
    }

    /** Writes a figure with four significant digits, without an exponent and without trailing zeros. */
    public static String show(double x) {
        double rounded = significant(x, 4);
        if (rounded == Math.rint(rounded) && Math.abs(rounded) < 1e15) {
            return (rounded < 0 ? "−" : "") + (long) Math.abs(rounded);
        }
        double size = Math.abs(rounded);
        int decimals = (int) Math.max(1, Math.min(12, 3 - Math.floor(Math.log10(size))));
        long scaled = Math.round(size * POWERS[decimals]);
        String digits = Long.toString(scaled);
        StringBuilder text = new StringBuilder(digits);
        while (text.length() <= decimals) {
            text.insert(0, '0');
        }
        text.insert(text.length() - decimals, '.');
        while (text.charAt(text.length() - 1) == '0') {
            text.deleteCharAt(text.length() - 1);
        }
        if (text.charAt(text.length() - 1) == '.') {
            text.deleteCharAt(text.length() - 1);
        }
        return (rounded < 0 ? "−" : "") + text;
    }
}
