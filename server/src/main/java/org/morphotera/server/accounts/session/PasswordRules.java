package org.morphotera.server.accounts.session;

import com.nulabinc.zxcvbn.Strength;
import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;

/** Which passwords are taken: long enough, and not among what is tried first (Wheeler, 2016). */
@Component
public class PasswordRules {

    static final int SHORTEST = 12;
    /** What the hash can tell apart; bytes. */
    static final int LONGEST = 72;

    /** Decimal logarithm of the guesses below which a password is one of the common ones, or made of them. */
    private static final double COMMON = 8;

    private final Zxcvbn guesser = new Zxcvbn();

    /**
     * @param known names and addresses that somebody who guesses would try
     * @throws RefusedException at {@code field}, with what to do
     */
    public void require(String field, String password, List<String> known) {
        if (password.codePointCount(0, password.length()) < SHORTEST) {
            throw RefusedException.of(
                    field, "TOO_SHORT", "At least " + SHORTEST + " characters: several words make a good one.");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
            throw RefusedException.of(field, "TOO_LONG", "At most " + LONGEST + " bytes. Shorten it.");
        }
        Strength strength = guesser.measure(password, known);
        boolean common = strength.getGuessesLog10() < COMMON;
        strength.wipe();
        if (common) {
            throw RefusedException.of(
                    field,
                    "COMMON",
                    "This is among the first that others would try. Take several words that don't belong together.");
        }
    }
}
