package org.morphotera.server.photos;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.server.web.RefusedException;

/** Pictures by what they are, and without the place they were taken at. */
class ImageContentTest {

    private static final byte[] EXIF = "Exif\0\0 52.1 N 4.3 E".getBytes(StandardCharsets.ISO_8859_1);

    private static byte[] picture(String format) throws IOException {
        BufferedImage image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(5);
        for (int i = 0; i < 1200; i++) {
            image.setRGB(i % 40, i / 40, random.nextInt(0xFFFFFF));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(ImageIO.write(image, format, out)).isTrue();
        return out.toByteArray();
    }

    /** A JPEG as a phone writes it: the place stands in a segment behind the head. */
    private static byte[] withPosition(byte[] jpeg) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(new byte[] {(byte) 0xFF, (byte) 0xE1, 0, (byte) (EXIF.length + 2)});
        out.write(EXIF);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.ISO_8859_1);
    }

    @Test
    void aPictureIsKnownByItsBytes() throws IOException {
        assertThat(ImageContent.typeOf(picture("jpg"))).isEqualTo(ImageContent.JPEG);
        assertThat(ImageContent.typeOf(picture("png"))).isEqualTo(ImageContent.PNG);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "x", "GIF89a and more", "<svg xmlns='http://www.w3.org/2000/svg'/>", "%PDF-1.7 and more"})
    void whatIsNoPictureIsRefused(String content) {
        assertThatThrownBy(() -> ImageContent.typeOf(content.getBytes(StandardCharsets.ISO_8859_1)))
                .isInstanceOf(RefusedException.class)
                .hasMessageContaining("NOT_A_PICTURE");
    }

    @Test
    void thePlaceIsGoneAndThePictureIsTheSame() throws IOException {
        byte[] jpeg = picture("jpg");
        byte[] sent = withPosition(jpeg);
        assertThat(text(sent)).contains("52.1 N");
        byte[] kept = ImageContent.withoutPosition(sent, ImageContent.JPEG);
        assertThat(kept).isEqualTo(jpeg);
        assertThat(ImageIO.read(new ByteArrayInputStream(kept)).getWidth()).isEqualTo(40);
    }

    @Test
    void severalSegmentsOfThePlaceAreAllGone() throws IOException {
        byte[] twice = withPosition(withPosition(picture("jpg")));
        assertThat(text(ImageContent.withoutPosition(twice, ImageContent.JPEG))).doesNotContain("52.1 N");
    }

    @Test
    void aPictureWithoutAPlaceIsKeptAsItIs() throws IOException {
        byte[] jpeg = picture("jpg");
        byte[] png = picture("png");
        assertThat(ImageContent.withoutPosition(jpeg, ImageContent.JPEG)).isEqualTo(jpeg);
        assertThat(ImageContent.withoutPosition(png, ImageContent.PNG)).isSameAs(png);
    }

    /** However it is cut or spoilt, it is handled without a fault of ours. */
    @Test
    void aSpoiltPictureDoesNotFailTheServer() throws IOException {
        byte[] sent = withPosition(picture("jpg"));
        Random random = new Random(9);
        for (int i = 0; i < 3000; i++) {
            byte[] spoilt = java.util.Arrays.copyOf(sent, 3 + random.nextInt(sent.length - 3));
            for (int k = random.nextInt(4); k > 0; k--) {
                spoilt[3 + random.nextInt(spoilt.length - 2) - 1] = (byte) random.nextInt(256);
            }
            if (spoilt.length > 4) {
                assertThat(ImageContent.withoutPosition(spoilt, ImageContent.JPEG).length)
                        .isLessThanOrEqualTo(spoilt.length);
            }
        }
    }
}
