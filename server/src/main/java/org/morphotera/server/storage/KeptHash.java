package org.morphotera.server.storage;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.jspecify.annotations.Nullable;

/** The hash of a picture as it is kept: SHA-256 of the large one and then the small one, in hexadecimal digits. */
public final class KeptHash {

    private KeptHash() {}

    public static String of(byte[] content, byte @Nullable [] small) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            digest.update(content);
            if (small != null) {
                digest.update(small);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
