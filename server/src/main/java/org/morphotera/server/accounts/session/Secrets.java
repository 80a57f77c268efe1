package org.morphotera.server.accounts.session;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** Made-up secrets, and the hashes by which they are known again. */
public final class Secrets {

    private static final SecureRandom RANDOM = new SecureRandom();

    private Secrets() {}

    static byte[] bytes(int count) {
        byte[] made = new byte[count];
        RANDOM.nextBytes(made);
        return made;
    }

    /** Letters, digits, minus and underscore. */
    public static String text(int bytes) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes(bytes));
    }

    public static String hash(String secret) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
