package org.morphotera.server;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.ImageIO;

/** Pictures to send. */
public final class SomePicture {

    private SomePicture() {}

    public static byte[] jpeg(int width, int height) {
        return of("jpg", width, height);
    }

    /** Speckles in a format that Java writes. */
    public static byte[] of(String format, int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(5);
        for (int i = 0; i < width * height; i++) {
            image.setRGB(i % width, i / width, random.nextInt(0xFFFFFF));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
