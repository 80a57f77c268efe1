package org.morphotera.server.photos;

import java.io.ByteArrayOutputStream;
import org.morphotera.server.web.RefusedException;

/** What the bytes of a picture really are, whatever they claim to be; and a JPEG without what it tells of the place. */
final class ImageContent {

    static final String JPEG = "image/jpeg";
    static final String PNG = "image/png";

    private static final byte[] PNG_HEAD = {(byte) 0x89, 'P', 'N', 'G', 0x0D, 0x0A, 0x1A, 0x0A};
    private static final int APP1 = 0xE1;
    private static final int START_OF_SCAN = 0xDA;

    private ImageContent() {}

    /** @throws RefusedException when it is neither JPEG nor PNG */
    static String typeOf(byte[] bytes) {
        if (bytes.length > 4 && (bytes[0] & 0xFF) == 0xFF && (bytes[1] & 0xFF) == 0xD8 && (bytes[2] & 0xFF) == 0xFF) {
            return JPEG;
        }
        if (bytes.length > PNG_HEAD.length && java.util.Arrays.equals(bytes, 0, 8, PNG_HEAD, 0, 8)) {
            return PNG;
        }
        throw RefusedException.of("", "NOT_A_PICTURE", "Send a photo as JPEG or PNG.");
    }

    /** The same JPEG without its APP1 segments (EXIF with position, XMP); other types as they are. */
    static byte[] withoutPosition(byte[] bytes, String type) {
        if (!type.equals(JPEG)) {
            return bytes;
        }
        ByteArrayOutputStream kept = new ByteArrayOutputStream(bytes.length);
        kept.write(bytes, 0, 2);
        int at = 2;
        while (at + 4 <= bytes.length && (bytes[at] & 0xFF) == 0xFF) {
            int marker = bytes[at + 1] & 0xFF;
            int length = ((bytes[at + 2] & 0xFF) << 8) + (bytes[at + 3] & 0xFF) + 2;
            if (marker == START_OF_SCAN || at + length > bytes.length) {
                break;
            }
            if (marker != APP1) {
                kept.write(bytes, at, length);
            }
            at += length;
        }
        kept.write(bytes, at, bytes.length - at);
        return kept.toByteArray();
    }
}
