package org.morphotera.server.photos;

import com.drew.imaging.jpeg.JpegSegmentType;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifReader;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.Orientation;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.photo.Picture;
import org.morphotera.server.storage.KeptHash;
import org.morphotera.server.web.RefusedException;

/**
 * Pictures as they are kept: measured by their head before anything of them is unpacked, then drawn anew, upright and
 * with nothing in them but the picture.
 */
public final class Pictures {

    static final String JPEG = "image/jpeg";
    static final String PNG = "image/png";

    static final int LONGEST_SIDE = 12_000;
    static final int MOST_PIXELS = 40_000_000;
    private static final int SMALL_SIDE = 480;
    private static final double SMALL_QUALITY = 0.8;
    private static final float QUALITY = 0.92f;

    /** What is kept, and served. */
    static final Set<String> TYPES = Set.of(JPEG, PNG);

    /** Of a picture with more points than this every second one, or every third, is kept: so it takes less room unpacked. */
    static final int POINTS_KEPT = 16_000_000;

    private static final Set<String> FORMATS = Set.of("jpeg", "png", "webp");
    /** Unpacked, a picture of the most points that are kept takes 200 MB at its worst. */
    private static final Semaphore AT_ONCE = new Semaphore(2);

    private static final int MARKER = 0xFF;
    private static final int START = 0xD8;
    private static final int END = 0xD9;
    private static final int APP0 = 0xE0;
    private static final int APP1 = 0xE1;
    private static final int FIRST_FRAME = 0xC0;
    private static final int LAST_FRAME = 0xCF;
    private static final int FIRST_RESTART = 0xD0;
    private static final int LAST_RESTART = 0xD7;
    private static final int RESTART = 0xDD;
    private static final int SEGMENT_HEAD = 4;
    private static final int START_OF_SCAN = 0xDA;
    private static final byte[] EXIF = "Exif\0\0".getBytes(StandardCharsets.ISO_8859_1);

    static {
        ImageIO.setUseCache(false);
    }

    private Pictures() {}

    /**
     * A picture drawn anew.
     *
     * @param small the same for lists, as JPEG
     */
    public record Kept(String type, byte[] content, byte[] small) {

        /** SHA-256 by which it is known whether a disk gave it back as it was. */
        public String hash() {
            return KeptHash.of(content, small);
        }
    }

    /**
     * @param sent a JPEG, PNG or WebP
     * @param keepPosition leaves what the camera wrote of place and time in a JPEG
     * @throws RefusedException when it is no whole picture of one of these kinds, or too large
     */
    public static Kept drawnAnew(byte[] sent, boolean keepPosition) {
        return read(sent, (reader, in) -> drawn(reader, in, sent, keepPosition));
    }

    /**
     * A picture upright and reduced, for the core to look at.
     *
     * @param sent a JPEG or PNG
     * @throws RefusedException when it is no whole picture of one of these kinds, or too large
     */
    static Picture reduced(byte[] sent) {
        return read(sent, (reader, in) -> {
            String format = reader.getFormatName().toLowerCase(Locale.ROOT);
            if (!format.equals("jpeg") && !format.equals("png")) {
                throw noPicture();
            }
            reader.setInput(in, false, true);
            BufferedImage image = whole(reader, Picture.MOST_POINTS);
            byte @Nullable [] camera = format.equals("jpeg") ? cameraData(sent) : null;
            BufferedImage upright = camera == null ? image : upright(camera, image);
            int[] points = ((DataBufferInt) upright.getRaster().getDataBuffer()).getData();
            return Picture.of(upright.getWidth(), upright.getHeight(), i -> points[i]);
        });
    }

    /**
     * A picture that comes from an archive: as it is where it is one as they are drawn here, drawn anew where it is not.
     * What it is goes by its content, whatever was written of it.
     *
     * @param small as it was kept; {@code null} where there was none
     * @throws RefusedException when it is no whole picture of one of these kinds, or too large
     */
    public static Kept restored(byte[] content, byte @Nullable [] small) {
        byte @Nullable [] smallAsDrawn = small != null && plainJpeg(small) && whole(small) ? small : null;
        if (smallAsDrawn != null && plainJpeg(content) && whole(content)) {
            return new Kept(JPEG, content, smallAsDrawn);
        }
        Kept anew = drawnAnew(content, true);
        return new Kept(
                anew.type(),
                plainJpeg(content) ? content : anew.content(),
                smallAsDrawn == null ? anew.small() : smallAsDrawn);
    }

    private static boolean whole(byte[] picture) {
        try {
            return read(picture, (reader, in) -> {
                reader.setInput(in, false, true);
                return whole(reader, MOST_PIXELS) != null;
            });
        } catch (RefusedException e) {
            return false;
        }
    }

    /** Whether a JPEG has only what makes the picture, and what a camera wrote, and ends with it. */
    private static boolean plainJpeg(byte[] jpeg) {
        int at = 2;
        if (jpeg.length < at || (jpeg[0] & MARKER) != MARKER || (jpeg[1] & MARKER) != START) {
            return false;
        }
        while (at + SEGMENT_HEAD <= jpeg.length && (jpeg[at] & MARKER) == MARKER) {
            int marker = jpeg[at + 1] & MARKER;
            int length = ((jpeg[at + 2] & MARKER) << 8) + (jpeg[at + 3] & MARKER) + 2;
            boolean told = marker == APP0 || marker == APP1;
            boolean picture =
                    marker >= FIRST_FRAME && marker <= LAST_FRAME || marker >= START_OF_SCAN && marker <= RESTART;
            if (!told && !picture) {
                return false;
            }
            at += length;
            if (marker == START_OF_SCAN) {
                return endOfScan(jpeg, at) == jpeg.length;
            }
        }
        return false;
    }

    /** Where what follows a scan ends, the mark of the end with it; −1 where something else comes than that mark. */
    private static int endOfScan(byte[] jpeg, int from) {
        for (int at = from; at + 1 < jpeg.length; at++) {
            int next = jpeg[at + 1] & MARKER;
            boolean inScan = next == 0 || next >= FIRST_RESTART && next <= LAST_RESTART || next == MARKER;
            if ((jpeg[at] & MARKER) == MARKER && !inScan) {
                return next == END ? at + 2 : -1;
            }
        }
        return -1;
    }

    /** What is made of a picture once its kind is known. */
    private interface Work<T> {
        T of(ImageReader reader, ImageInputStream in) throws IOException;
    }

    private static <T> T read(byte[] sent, Work<T> work) {
        AT_ONCE.acquireUninterruptibly();
        try (ImageInputStream in = new Patience(sent)) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw noPicture();
            }
            ImageReader reader = readers.next();
            try {
                return work.of(reader, in);
            } finally {
                reader.dispose();
            }
        } catch (IOException e) {
            throw noPicture();
        } finally {
            AT_ONCE.release();
        }
    }

    private static Kept drawn(ImageReader reader, ImageInputStream in, byte[] sent, boolean keepPosition)
            throws IOException {
        String format = reader.getFormatName().toLowerCase(Locale.ROOT);
        if (!FORMATS.contains(format)) {
            throw noPicture();
        }
        // what else stands in it is not even read, but for how a camera was held
        reader.setInput(in, false, true);
        BufferedImage image = whole(reader, MOST_PIXELS);
        byte @Nullable [] camera = format.equals("jpeg") ? cameraData(sent) : null;
        if (camera != null && !keepPosition) {
            image = upright(camera, image);
            camera = null;
        }
        boolean png = format.equals("png");
        byte[] content = written(image, png ? "png" : "jpeg");
        return new Kept(png ? PNG : JPEG, camera == null ? content : with(content, camera), small(image));
    }

    /** @param most points that it may have; with more than {@link #POINTS_KEPT} it comes back smaller */
    private static BufferedImage whole(ImageReader reader, int most) throws IOException {
        AtomicBoolean cut = new AtomicBoolean();
        try {
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            if (width > LONGEST_SIDE || height > LONGEST_SIDE || (long) width * height > most) {
                throw RefusedException.of(
                        "",
                        "TOO_LARGE",
                        "At most " + LONGEST_SIDE + " points a side and " + most / 1_000_000
                                + " megapixels. Make the picture smaller.");
            }
            reader.addIIOReadWarningListener(
                    (source, warning) -> cut.compareAndSet(false, warning.matches("(?is).*(truncated|premature).*")));
            ImageReadParam how = reader.getDefaultReadParam();
            int every = (int) Math.ceil(Math.sqrt((double) width * height / POINTS_KEPT));
            how.setSourceSubsampling(every, every, 0, 0);
            BufferedImage read = reader.read(0, how);
            if (cut.get()) {
                throw noPicture();
            }
            return plain(read);
        } catch (RefusedException e) {
            throw e;
        } catch (RuntimeException e) {
            // readers answer damaged pictures with whatever their arithmetic meets
            throw noPicture();
        }
    }

    /** In plain colours, on white where it was clear. */
    private static BufferedImage plain(BufferedImage read) {
        BufferedImage image = new BufferedImage(read.getWidth(), read.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.drawImage(read, 0, 0, Color.WHITE, null);
        pen.dispose();
        return image;
    }

    private static BufferedImage upright(byte[] camera, BufferedImage image) {
        Metadata metadata = new Metadata();
        byte[] content = Arrays.copyOfRange(camera, SEGMENT_HEAD, camera.length);
        new ExifReader().readJpegSegments(List.of(content), metadata, JpegSegmentType.APP1);
        ExifIFD0Directory directory = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
        Integer held = directory == null ? null : directory.getInteger(ExifDirectoryBase.TAG_ORIENTATION);
        Orientation orientation = held == null ? null : Orientation.typeOf(held);
        return orientation == null
                ? image
                : plain(ExifFilterUtils.getFilterForOrientation(orientation).apply(image));
    }

    private static byte[] written(BufferedImage image, String format) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName(format).next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream to = new MemoryCacheImageOutputStream(out)) {
            writer.setOutput(to);
            ImageWriteParam how = writer.getDefaultWriteParam();
            if (format.equals("jpeg")) {
                how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
                how.setCompressionQuality(QUALITY);
            }
            writer.write(null, new IIOImage(image, null, null), how);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    private static byte[] small(BufferedImage image) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        boolean fits = Math.max(image.getWidth(), image.getHeight()) <= SMALL_SIDE;
        Thumbnails.Builder<BufferedImage> builder = Thumbnails.of(image);
        (fits ? builder.scale(1) : builder.size(SMALL_SIDE, SMALL_SIDE))
                .outputFormat("jpg")
                .outputQuality(SMALL_QUALITY)
                .toOutputStream(out);
        return out.toByteArray();
    }

    /** What the camera wrote into a JPEG, as the segment it stands in; {@code null} where it wrote nothing. */
    private static byte @Nullable [] cameraData(byte[] jpeg) {
        int at = 2;
        while (at + 4 <= jpeg.length && (jpeg[at] & MARKER) == MARKER) {
            int marker = jpeg[at + 1] & MARKER;
            int length = ((jpeg[at + 2] & MARKER) << 8) + (jpeg[at + 3] & MARKER) + 2;
            if (marker == START_OF_SCAN || at + length > jpeg.length) {
                return null;
            }
            int head = at + 4 + EXIF.length;
            if (marker == APP1 && head <= at + length && Arrays.equals(jpeg, at + 4, head, EXIF, 0, EXIF.length)) {
                return Arrays.copyOfRange(jpeg, at, at + length);
            }
            at += length;
        }
        return null;
    }

    private static byte[] with(byte[] jpeg, byte[] segment) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(jpeg.length + segment.length);
        out.write(jpeg, 0, 2);
        out.write(segment, 0, segment.length);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    /** What is read from; whoever reads on and on beyond its end, or for too long, is stopped. */
    private static final class Patience extends MemoryCacheImageInputStream {

        private static final int MOST_BEYOND = 1000;
        private static final long LONGEST_NS = 20_000_000_000L;

        private final long until = System.nanoTime() + LONGEST_NS;
        private int beyond;

        Patience(byte[] content) {
            super(new ByteArrayInputStream(content));
        }

        @Override
        public int read() throws IOException {
            return bounded(super.read());
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            return bounded(super.read(into, from, length));
        }

        private int bounded(int read) {
            beyond += read < 0 ? 1 : 0;
            if (beyond > MOST_BEYOND || System.nanoTime() > until) {
                throw new IllegalStateException("a reader that does not end");
            }
            return read;
        }
    }

    private static RefusedException noPicture() {
        return RefusedException.of("", "NOT_A_PICTURE", "Send a whole picture as JPEG, PNG or WebP.");
    }
}
