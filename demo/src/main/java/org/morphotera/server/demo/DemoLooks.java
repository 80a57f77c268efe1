package org.morphotera.server.demo;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.PhotoKinds;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.PhotoReadings;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.server.measurements.FromPhoto;

/** Readings of the sample data that were taken from pictures: drawn from what was read, looked at by the core. */
final class DemoLooks {

    private static final PhotoReadings KINDS = PhotoKinds.all();

    /** Those of one picture; a drawn dish could not say which crumb is which. */
    private static final List<String> SHOWN = List.of("cover", "jar", "colour");

    /**
     * A test that was read from a picture.
     *
     * @param readings as they were recorded: what the picture got wrong was set right by hand
     * @param picture a PNG
     */
    record Look(Map<String, Object> readings, FromPhoto.Write photo, byte[] picture) {}

    private DemoLooks() {}

    /** A test as if it had been read from a picture; {@code null} where no picture tells it. */
    @Nullable
    static Look of(DemoVisit.Test test, long seed) {
        PhotoReading<?> kind = KINDS.all().stream()
                .filter(each -> SHOWN.contains(each.kind()) && each.method().equals(test.method()))
                .findAny()
                .orElse(null);
        if (kind == null) {
            return null;
        }
        Random random = new Random(seed);
        Drawn drawn =
                kind.draw(test.readings(), Taken.USUALLY, random::nextDouble).get(0);
        PhotoReading.Answer answer = KINDS.propose(kind.kind(), drawn.inputs(), List.of(drawn.picture()));
        if (!(answer instanceof PhotoReading.Answer.Proposed proposed)) {
            return null;
        }
        Map<String, Object> readings = new HashMap<>(test.readings());
        if (drawn.truth().get("points") instanceof List<?> points) {
            List.of("livingPct", "litterPct", "stonePct", "barePct").forEach(readings::remove);
            readings.put("points", points);
        }
        return new Look(readings, new FromPhoto.Write(kind.kind(), proposed.readings()), png(drawn));
    }

    private static byte[] png(Drawn drawn) {
        BufferedImage image = new BufferedImage(drawn.width(), drawn.height(), BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, drawn.width(), drawn.height(), drawn.rgb(), 0, drawn.width());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
