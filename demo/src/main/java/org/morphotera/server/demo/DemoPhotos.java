package org.morphotera.server.demo;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.ImageIO;

/**
 * Sample pictures of a spade block as a JPEG, drawn from what the made-up soil is: its colour, its crumbs, its grey
 * and its roots. Nobody took them, and their notes say so.
 */
final class DemoPhotos {

    private static final int WIDE = 480;
    private static final int HIGH = 600;
    private static final int SURFACE = 90;

    private final Random random;

    DemoPhotos(long seed) {
        this.random = new Random(seed);
    }

    /**
     * A block of soil on a spade, grass or stubble on top.
     *
     * @param organicPct darkens it
     * @param structure 1 (fine crumbs) to 5 (slabs)
     * @param greyPct share of grey patches, 0 to 100
     * @param coverPct share of the surface with plants on it, 0 to 100
     * @param rootShare 0 to 1
     */
    byte[] block(double organicPct, double structure, double greyPct, double coverPct, double rootShare) {
        BufferedImage image = new BufferedImage(WIDE, HIGH, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setColor(new Color(0xC9, 0xD2, 0xD6));
        pen.fillRect(0, 0, WIDE, SURFACE);
        float dark = (float) Math.max(0.16, 0.42 - 0.045 * organicPct);
        for (int y = SURFACE; y < HIGH; y++) {
            float depth = (y - SURFACE) / (float) (HIGH - SURFACE);
            pen.setColor(Color.getHSBColor(0.085f, 0.42f - 0.1f * depth, dark + 0.2f * depth));
            pen.drawLine(0, y, WIDE, y);
        }
        crumbs(pen, dark, structure);
        patches(pen, greyPct);
        roots(pen, rootShare);
        plants(pen, coverPct);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private void crumbs(Graphics2D pen, float dark, double structure) {
        double size = 4 + 13 * (structure - 1);
        int count = (int) (90_000 / (size * size)) + 60;
        for (int i = 0; i < count; i++) {
            double x = random.nextDouble() * WIDE;
            double y = SURFACE + random.nextDouble() * (HIGH - SURFACE);
            double across = size * (0.6 + random.nextDouble());
            double high = across * (structure > 3 ? 0.45 : 0.85);
            float depth = (float) ((y - SURFACE) / (HIGH - SURFACE));
            float light = (float) (dark + 0.2 * depth + 0.09 * (random.nextDouble() - 0.5));
            pen.setColor(Color.getHSBColor(0.08f + 0.015f * random.nextFloat(), 0.4f, light));
            pen.fill(new Ellipse2D.Double(x, y, across, high));
            pen.setColor(new Color(20, 14, 8, 60));
            pen.draw(new Ellipse2D.Double(x, y + 1, across, high));
        }
    }

    private void patches(Graphics2D pen, double greyPct) {
        for (int i = 0; i < greyPct * 2; i++) {
            pen.setColor(new Color(126, 134, 134, 120));
            double x = random.nextDouble() * WIDE;
            double y = SURFACE + (0.45 + 0.55 * random.nextDouble()) * (HIGH - SURFACE);
            pen.fill(new Ellipse2D.Double(x, y, 14 + random.nextInt(40), 8 + random.nextInt(16)));
        }
    }

    private void roots(Graphics2D pen, double share) {
        pen.setColor(new Color(222, 206, 170, 190));
        for (int i = 0; i < 55; i++) {
            double x = random.nextDouble() * WIDE;
            double deep = (0.25 + 0.75 * share * random.nextDouble()) * (HIGH - SURFACE);
            Path2D root = new Path2D.Double();
            root.moveTo(x, SURFACE);
            for (double y = 0; y < deep; y += 14) {
                x += 10 * (random.nextDouble() - 0.5);
                root.lineTo(x, SURFACE + y);
            }
            pen.draw(root);
        }
    }

    private void plants(Graphics2D pen, double coverPct) {
        for (int i = 0; i < coverPct * 5; i++) {
            double x = random.nextDouble() * WIDE;
            double up = 18 + random.nextInt(60);
            pen.setColor(
                    Color.getHSBColor(0.22f + 0.08f * random.nextFloat(), 0.55f, 0.35f + 0.3f * random.nextFloat()));
            Path2D blade = new Path2D.Double();
            blade.moveTo(x, SURFACE + 4);
            blade.quadTo(x + 6 * random.nextGaussian(), SURFACE - up / 2, x + 14 * random.nextGaussian(), SURFACE - up);
            pen.draw(blade);
        }
    }
}
