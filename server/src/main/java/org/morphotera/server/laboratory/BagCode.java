package org.morphotera.server.laboratory;

import java.util.Locale;
import java.util.UUID;

/**
 * What stands on a bag: five signs and a sixth that says whether they were read right. Of digits and letters only those
 * that no hand mixes up; their number is prime, so that one wrong sign, or two that changed places, always shows.
 */
final class BagCode {

    private static final String SIGNS = "23456789ABCDEFGHJKMNPQRSTUVWXYZ";
    private static final int LENGTH = 5;

    private BagCode() {}

    /** @param attempt counts up where a code is taken already */
    static String of(UUID id, int attempt) {
        long bits = id.getMostSignificantBits() ^ Long.rotateLeft(id.getLeastSignificantBits(), 17);
        bits += attempt;
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < LENGTH; i++) {
            code.append(SIGNS.charAt((int) Long.remainderUnsigned(bits, SIGNS.length())));
            bits = Long.divideUnsigned(bits, SIGNS.length());
        }
        return code.append(check(code)).toString();
    }

    private static char check(CharSequence code) {
        int sum = 0;
        for (int i = 0; i < LENGTH; i++) {
            sum += (i + 2) * SIGNS.indexOf(code.charAt(i));
        }
        return SIGNS.charAt(sum % SIGNS.length());
    }

    /** As it is kept: capital letters without anything between. */
    static String plain(String written) {
        return written.toUpperCase(Locale.ROOT).replaceAll("[\\s-]", "");
    }

    /** Whether a code was read and typed without an error. */
    static boolean sound(String code) {
        return code.length() == LENGTH + 1
                && code.chars().allMatch(c -> SIGNS.indexOf(c) >= 0)
                && check(code) == code.charAt(LENGTH);
    }
}
