package org.morphotera.server.accounts.session;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.Person;
import org.springframework.stereotype.Component;

/** Codes of an authenticator (RFC 6238: six digits, 30 s), and the codes for when it is lost. */
@Component
class Authenticator {

    private static final int SECRET_BYTES = 20;
    private static final int RECOVERY_CODES = 8;
    /** A clock may be so many steps off. */
    private static final int OFF = 1;

    private final TimeBasedOneTimePasswordGenerator generator = new TimeBasedOneTimePasswordGenerator();
    private final AccountMapper accounts;
    private final Clock clock;

    Authenticator(AccountMapper accounts, Clock clock) {
        this.accounts = accounts;
        this.clock = clock;
    }

    /** Base 32, without padding. */
    static String secret() {
        return new Base32().encodeToString(Secrets.bytes(SECRET_BYTES)).replace("=", "");
    }

    static List<String> recoveryCodes() {
        List<String> codes = new ArrayList<>();
        for (int i = 0; i < RECOVERY_CODES; i++) {
            String text = new Base32().encodeToString(Secrets.bytes(5)).toLowerCase(Locale.ROOT);
            codes.add(text.substring(0, 4) + "-" + text.substring(4));
        }
        return codes;
    }

    static String hashes(List<String> recovery) {
        return recovery.stream().map(Authenticator::hash).collect(Collectors.joining(","));
    }

    private static String hash(String code) {
        return Secrets.hash(code.strip().toLowerCase(Locale.ROOT).replace("-", ""));
    }

    /** Address that an authenticator reads off a scanned code. */
    static String address(String secret, String email) {
        String label =
                URLEncoder.encode("Morphotera:" + email, StandardCharsets.UTF_8).replace("+", "%20");
        return "otpauth://totp/" + label + "?secret=" + secret + "&issuer=Morphotera";
    }

    /** The step at which a secret shows a code, within what a clock may be off. */
    OptionalLong step(String secret, String code) {
        String digits = code.replaceAll("\\s", "");
        Instant now = clock.instant();
        long seconds = generator.getTimeStep().toSeconds();
        SecretKeySpec key = new SecretKeySpec(new Base32().decode(secret), generator.getAlgorithm());
        for (int off = -OFF; off <= OFF; off++) {
            Instant then = now.plusSeconds(off * seconds);
            if (MessageDigest.isEqual(
                    shown(key, then).getBytes(StandardCharsets.UTF_8), digits.getBytes(StandardCharsets.UTF_8))) {
                return OptionalLong.of(then.getEpochSecond() / seconds);
            }
        }
        return OptionalLong.empty();
    }

    private String shown(SecretKeySpec key, Instant at) {
        try {
            return generator.generateOneTimePasswordString(key, at);
        } catch (InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Whether a code is the person's, of the authenticator or for when it is lost; it works once. */
    boolean take(Person person, String code) {
        OptionalLong step = step(person.secondFactor(), code);
        if (step.isPresent()) {
            return accounts.takeStep(person.id(), step.getAsLong()) == 1;
        }
        String before = person.recovery();
        if (before == null) {
            return false;
        }
        List<String> left = new ArrayList<>(Arrays.asList(before.split(",")));
        return left.remove(hash(code)) && accounts.takeRecovery(person.id(), before, String.join(",", left)) == 1;
    }
}
