package org.morphotera.server.photos;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.management.ThreadMXBean;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.server.SomePicture;
import org.morphotera.server.web.RefusedException;

/** Pictures are unpacked within bounds and drawn anew, so that nothing but what they show is kept. */
@Tag("no-database")
class PicturesTest {

    private static final String PLACE = "52.1 N 4.3 E";

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.ISO_8859_1);
    }

    private static BufferedImage read(byte[] bytes) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(bytes));
    }

    /** A JPEG with a segment of any kind behind its head. */
    private static byte[] withSegment(byte[] jpeg, int marker, byte[] content) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(
                new byte[] {(byte) 0xFF, (byte) marker, (byte) ((content.length + 2) >> 8), (byte) (content.length + 2)
                });
        out.write(content);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    /** What a camera writes that was held so, and the place. */
    private static byte[] exif(int orientation) {
        ByteBuffer buffer = ByteBuffer.allocate(6 + 8 + 2 + 12 + 4 + PLACE.length());
        buffer.put("Exif\0\0".getBytes(StandardCharsets.ISO_8859_1));
        buffer.put("MM".getBytes(StandardCharsets.ISO_8859_1))
                .putShort((short) 42)
                .putInt(8);
        buffer.putShort((short) 1).putShort((short) 0x0112).putShort((short) 3).putInt(1);
        buffer.putShort((short) orientation).putShort((short) 0).putInt(0);
        buffer.put(PLACE.getBytes(StandardCharsets.ISO_8859_1));
        return buffer.array();
    }

    private static byte[] chunk(String type, byte[] content) {
        CRC32 crc = new CRC32();
        byte[] name = type.getBytes(StandardCharsets.ISO_8859_1);
        crc.update(name);
        crc.update(content);
        return ByteBuffer.allocate(12 + content.length)
                .putInt(content.length)
                .put(name)
                .put(content)
                .putInt((int) crc.getValue())
                .array();
    }

    /** A PNG of one colour: tiny to send, as large as one likes to unpack. */
    private static byte[] bomb(int side) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 0x0D, 0x0A, 0x1A, 0x0A});
        out.write(chunk(
                "IHDR",
                ByteBuffer.allocate(13)
                        .putInt(side)
                        .putInt(side)
                        .put(new byte[] {1, 0, 0, 0, 0})
                        .array()));
        Deflater deflater = new Deflater(9);
        byte[] row = new byte[(side + 7) / 8 + 1];
        byte[] packed = new byte[1 << 16];
        ByteArrayOutputStream data = new ByteArrayOutputStream();
        for (int y = 0; y < side; y++) {
            deflater.setInput(row);
            while (!deflater.needsInput()) {
                data.write(packed, 0, deflater.deflate(packed));
            }
        }
        deflater.finish();
        while (!deflater.finished()) {
            data.write(packed, 0, deflater.deflate(packed));
        }
        out.write(chunk("IDAT", data.toByteArray()));
        out.write(chunk("IEND", new byte[0]));
        return out.toByteArray();
    }

    private static void refused(byte[] bytes, String code) {
        assertThatThrownBy(() -> Pictures.drawnAnew(bytes, false))
                .isInstanceOf(RefusedException.class)
                .hasMessageContaining(code);
    }

    @ParameterizedTest
    @ValueSource(strings = {"jpg", "png"})
    void aPictureIsKeptAsItLooksWithASmallOneForLists(String format) throws IOException {
        Pictures.Kept kept = Pictures.drawnAnew(SomePicture.of(format, 900, 600), false);
        assertThat(kept.type()).isEqualTo(format.equals("png") ? Pictures.PNG : Pictures.JPEG);
        assertThat(read(kept.content()).getWidth()).isEqualTo(900);
        assertThat(read(kept.small()).getWidth()).isEqualTo(480);
        assertThat(read(kept.small()).getHeight()).isEqualTo(320);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                // five by three points, packed without and with loss
                "UklGRj4AAABXRUJQVlA4TDIAAAAvBIAAAHcwPAKBZJz8acYZvPkPDQAwjDFmAADAVCQb7z38GlmUkkUlWQSL6H9U+07cJw==",
                "UklGRlIAAABXRUJQVlA4IEYAAAAQAgCdASoFAAMAAUAmJaACdEyAAdWtw84AAP73354HWbze6RTc4uBuGeTZd1bfV//luriA+fGQ/mJWjBxua/+PW/PaMAAA"
            })
    void webPIsKeptAsJpegAndADamagedOneIsGivenUp(String packed) throws IOException {
        byte[] webp = Base64.getDecoder().decode(packed);
        Pictures.Kept kept = Pictures.drawnAnew(webp, false);
        assertThat(kept.type()).isEqualTo(Pictures.JPEG);
        assertThat(read(kept.content()).getWidth()).isEqualTo(5);
        // one that asks its reader for more than there is, for ever
        refused(Base64.getDecoder().decode("UklGRhwAAABXRUJQVlA4TA8AAAAvAAAAEAcQ/Y+IiOh/AAA="), "NOT_A_PICTURE");
    }

    @ParameterizedTest
    @ValueSource(ints = {0xE0, 0xE1, 0xE2, 0xEB, 0xED, 0xEE, 0xEF, 0xFE})
    void noSegmentOfAJpegIsLeftThatTellsAnything(int marker) throws IOException {
        byte[] told = ("GPS " + PLACE).getBytes(StandardCharsets.ISO_8859_1);
        byte[] sent = withSegment(SomePicture.jpeg(60, 40), marker, told);
        byte[] behind = Arrays.copyOf(sent, sent.length + 20);
        System.arraycopy(PLACE.getBytes(StandardCharsets.ISO_8859_1), 0, behind, sent.length, PLACE.length());
        assertThat(text(behind)).contains(PLACE);
        assertThat(text(Pictures.drawnAnew(behind, false).content())).doesNotContain(PLACE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tEXt", "iTXt", "eXIf", "zzZz"})
    void noChunkOfAPngIsLeftThatTellsAnything(String type) throws IOException {
        byte[] png = SomePicture.of("png", 60, 40);
        byte[] more = chunk(type, ("Comment\0" + PLACE).getBytes(StandardCharsets.ISO_8859_1));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(png, 0, 33);
        out.write(more);
        out.write(png, 33, png.length - 33);
        out.write(PLACE.getBytes(StandardCharsets.ISO_8859_1));
        assertThat(text(Pictures.drawnAnew(out.toByteArray(), false).content())).doesNotContain(PLACE);
    }

    @Test
    void aPictureTakenOnItsSideStandsUprightAndThePlaceStaysOnPurposeOnly() throws IOException {
        BufferedImage image = new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 20; x++) {
            for (int y = 0; y < 20; y++) {
                image.setRGB(x, y, Color.WHITE.getRGB());
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        byte[] sent = withSegment(out.toByteArray(), 0xE1, exif(6));
        BufferedImage kept = read(Pictures.drawnAnew(sent, false).content());
        assertThat(kept.getWidth()).isEqualTo(20);
        assertThat(kept.getHeight()).isEqualTo(40);
        // turned to the right: what was left is on top
        assertThat(new Color(kept.getRGB(10, 5)).getRed()).isGreaterThan(200);
        assertThat(new Color(kept.getRGB(10, 35)).getRed()).isLessThan(50);
        byte[] onPurpose = Pictures.drawnAnew(sent, true).content();
        assertThat(text(onPurpose)).contains(PLACE);
        assertThat(read(onPurpose).getWidth()).isEqualTo(40);
    }

    @Test
    void aPictureThatIsTinyToSendAndHugeToUnpackIsRefusedByItsHead() throws IOException {
        byte[] large = bomb(10_000);
        assertThat(large.length).isLessThan(50_000);
        byte[] larger = bomb(12_500);
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        refused(large, "TOO_LARGE");
        refused(larger, "TOO_LARGE");
        assertThat(threads.getCurrentThreadAllocatedBytes() - before)
                .as("bytes taken")
                .isLessThan(50_000_000);
    }

    @Test
    void whatIsNoWholePictureIsRefused() throws IOException {
        byte[] jpeg = SomePicture.jpeg(300, 200);
        refused(new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xDA, 0}, "NOT_A_PICTURE");
        refused(Arrays.copyOf(jpeg, jpeg.length / 2), "NOT_A_PICTURE");
        refused(Arrays.copyOf(SomePicture.of("png", 300, 200), 9000), "NOT_A_PICTURE");
        refused(SomePicture.of("gif", 30, 20), "NOT_A_PICTURE");
        refused(SomePicture.of("bmp", 30, 20), "NOT_A_PICTURE");
        for (String other : new String[] {"", "x", "<svg xmlns='http://www.w3.org/2000/svg'/>", "%PDF-1.7 and more"}) {
            refused(other.getBytes(StandardCharsets.ISO_8859_1), "NOT_A_PICTURE");
        }
    }

    @Test
    void aLargePictureTakesNoMoreRoomThanAServerOfOneGigabyteHas() throws IOException {
        BufferedImage image = new BufferedImage(6300, 6300, BufferedImage.TYPE_3BYTE_BGR);
        image.setRGB(6299, 6299, 0xFF8800);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        image = null;
        byte[] sent = out.toByteArray();
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        Pictures.Kept kept = Pictures.drawnAnew(sent, false);
        assertThat(threads.getCurrentThreadAllocatedBytes() - before)
                .as("bytes taken")
                .isLessThan(250_000_000);
        assertThat(read(kept.content()).getWidth()).isEqualTo(3150);
    }

    @Test
    void aPictureOfAnArchiveStaysAsItWasDrawnAndWhatIsNoneIsRefused() throws IOException {
        for (String format : new String[] {"jpg", "png"}) {
            Pictures.Kept drawn = Pictures.drawnAnew(SomePicture.of(format, 90, 60), false);
            Pictures.Kept again = Pictures.restored(drawn.content(), drawn.small());
            assertThat(again.type()).isEqualTo(drawn.type());
            assertThat(again.content()).isEqualTo(drawn.content());
            assertThat(again.small()).isEqualTo(drawn.small());
            byte[] page = "<script>alert(1)</script>".getBytes(StandardCharsets.ISO_8859_1);
            byte[] both = Arrays.copyOf(drawn.content(), drawn.content().length + page.length);
            System.arraycopy(page, 0, both, drawn.content().length, page.length);
            assertThat(text(Pictures.restored(both, page).content())).doesNotContain("script");
            assertThat(text(Pictures.restored(both, page).small())).doesNotContain("script");
            byte[] said = format.equals("jpg") ? withSegment(drawn.content(), 0xFE, page) : drawn.content();
            assertThat(text(Pictures.restored(said, drawn.small()).content())).doesNotContain("script");
            assertThatThrownBy(() -> Pictures.restored(page, drawn.small())).isInstanceOf(RefusedException.class);
        }
    }
}
