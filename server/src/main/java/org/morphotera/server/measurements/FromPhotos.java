package org.morphotera.server.measurements;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.PhotoKinds;
import org.morphotera.core.photo.Agreed;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.PhotoReadings;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what a picture proposed beside what was recorded, and counts how often it was right. */
@Component
public class FromPhotos {

    private static final int LONGEST = 20_000;
    private static final int NEWEST = 100;
    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};

    private final FromPhotoMapper rows;
    private final PhotoReadings kinds = PhotoKinds.all();
    private final JsonMapper json;

    FromPhotos(FromPhotoMapper rows, JsonMapper json) {
        this.rows = rows;
        this.json = json;
    }

    /**
     * Whether a proposal can be kept with a measurement.
     *
     * @throws RefusedException where its kind is unknown or of another method, or it is too long to be one
     */
    void require(Measurement.Write body) {
        if (body.photo() == null) {
            return;
        }
        PhotoReading<?> reading = kinds.of(body.photo().kind());
        if (reading == null || !reading.method().equals(body.method())) {
            throw RefusedException.of(
                    "photo.kind", "UNKNOWN", "There is no reading from pictures of this kind for this test.");
        }
        if (json.writeValueAsString(body.photo().proposed()).length() > LONGEST) {
            throw RefusedException.of("photo.proposed", "TOO_LONG", "Send what was proposed as it was answered.");
        }
    }

    /** After {@link #require}. */
    void keep(UUID practice, UUID measurement, Instant takenAt, Measurement.Write body) {
        if (body.photo() != null) {
            keep(practice, measurement, takenAt, body.readings(), body.photo());
        }
    }

    /** Keeps what a picture proposed beside the readings that were recorded. */
    public void keep(
            UUID practice, UUID measurement, Instant takenAt, Map<String, Object> readings, FromPhoto.Write photo) {
        Agreed agreed = kinds.of(photo.kind()).agreed(photo.proposed(), readings);
        rows.add(
                practice,
                measurement,
                takenAt,
                new FromPhotoMapper.Row(
                        photo.kind(), json.writeValueAsString(photo.proposed()), agreed.same(), agreed.of()));
    }

    /** What a picture proposed of a measurement; {@code null} when there was none. */
    @Nullable
    FromPhoto of(UUID practice, UUID measurement) {
        FromPhotoMapper.Row row = rows.of(practice, measurement);
        return row == null
                ? null
                : new FromPhoto(row.kind(), json.readValue(row.proposed(), TREE), row.asProposed(), row.ofAll());
    }

    /** How often pictures were right, each kind of which there are some. */
    public List<FromPhoto.Agreement> agreements(UUID practice) {
        return kinds.all().stream()
                .map(reading -> {
                    FromPhotoMapper.Sum sum = rows.sum(practice, reading.kind(), NEWEST);
                    return new FromPhoto.Agreement(
                            reading.kind(), reading.method(), sum.photos(), sum.asProposed(), sum.ofAll());
                })
                .filter(each -> each.photos() > 0)
                .toList();
    }
}
