package org.morphotera.server.indicators;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.score.DepthBand;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;
import org.springframework.stereotype.Component;

/** Keeps the rows of {@code indicator_value} in step with the measurements that stand. */
@Component
public class IndicatorProjection {

    /** Where and when a measurement was made. */
    public record Place(UUID practice, UUID field, UUID visit, UUID stop, DepthLayer layer, Instant takenAt) {

        private Place on(DepthLayer other) {
            return new Place(practice, field, visit, stop, other, takenAt);
        }
    }

    /** Goes up whenever rows are projected otherwise: what older versions made is made again at the next start. */
    public static final int VERSION = 2;

    private final IndicatorMapper rows;
    private final SightingMapper sightings;
    private final MethodRegistry methods;

    IndicatorProjection(IndicatorMapper rows, SightingMapper sightings, MethodRegistry methods) {
        this.rows = rows;
        this.sightings = sightings;
        this.methods = methods;
    }

    /** What a measurement shows, as rows. */
    public record Shown(List<IndicatorRow> indicators, List<SightingMapper.Row> sightings) {}

    /** Adds what a measurement shows. */
    public void add(UUID measurement, Place place, Map<String, Object> readings, Envelope envelope) {
        Shown shown = shown(measurement, place, readings, envelope);
        for (SightingMapper.Row row : shown.sightings()) {
            sightings.insert(place.practice(), place.field(), row);
            refreshSighting(row);
        }
        for (IndicatorRow row : shown.indicators()) {
            rows.insert(place.practice(), row);
            refresh(row.stopId(), row.indicator(), row.band(), row.source());
        }
    }

    /** Works out what a measurement shows, without keeping it. */
    public Shown shown(UUID measurement, Place place, Map<String, Object> readings, Envelope envelope) {
        FieldMethod<?> method = methods.get(envelope.method());
        List<SightingMapper.Row> seen = method.seen(readings, envelope, place.layer()).stream()
                .map(each -> SightingMapper.Row.of(measurement, place.stop(), place.takenAt(), each))
                .toList();
        List<IndicatorRow> found = new ArrayList<>();
        String kind = method.kind(readings, envelope);
        Read read =
                new Read(measurement, place.on(method.rated(readings, place.layer())), kind, method.source(readings));
        MethodCard card = method.card();
        for (MethodCard.Indicator indicator : card.indicators()) {
            Envelope.RatingText rating =
                    method.hides(indicator.id(), envelope) ? null : envelope.standing(indicator.id());
            if (rating != null) {
                found.add(row(read, indicator.id(), envelope, rating, indicator.figure(), rating.reason()));
            }
        }
        if (card.contextClass() != null && method.contextCode(envelope) instanceof String code) {
            found.add(row(read, card.contextClass(), envelope, null, null, code));
        }
        return new Shown(found, seen);
    }

    private void refreshSighting(SightingMapper.Row row) {
        UUID newest = sightings.newest(row.stopId(), row.finding(), row.source());
        if (newest != null) {
            sightings.markLatest(row.stopId(), row.finding(), row.source(), newest);
        }
    }

    /** A measurement that is being projected, where it speaks for, and how it was read. */
    private record Read(UUID measurement, Place place, String kind, Source source) {}

    /** The score of 2 that the method itself gives an indicator. */
    private static Double points(Envelope envelope, String indicator) {
        return envelope.ratings().stream()
                .filter(rating -> rating.indicator().equals(indicator)
                        && rating.school().equals("points")
                        && rating.score() != null)
                .map(Envelope.RatingText::score)
                .findFirst()
                .orElse(null);
    }

    /** Takes away everything that the measurements of a field showed. */
    public void clear(UUID practice, UUID field) {
        rows.deleteOfField(practice, field);
        sightings.deleteOfField(practice, field);
    }

    /** Takes away what a superseded measurement showed. */
    public void remove(UUID practice, UUID measurement) {
        List<IndicatorRow> gone = rows.ofMeasurement(practice, measurement);
        rows.delete(practice, measurement);
        gone.forEach(row -> refresh(row.stopId(), row.indicator(), row.band(), row.source()));
        List<SightingMapper.Row> unseen = sightings.ofMeasurement(practice, measurement);
        sightings.delete(practice, measurement);
        unseen.forEach(this::refreshSighting);
    }

    private static IndicatorRow row(
            Read read,
            String indicator,
            Envelope envelope,
            Envelope.RatingText rating,
            String figureName,
            String code) {
        Place place = read.place();
        String band = DepthBand.ofMiddle(place.layer()).code();
        Envelope.Figure figure = figureName == null ? null : envelope.values().get(figureName);
        return new IndicatorRow(
                read.measurement(),
                indicator,
                place.field(),
                place.visit(),
                place.stop(),
                envelope.method(),
                band,
                place.layer() == null ? null : place.layer().topMm(),
                place.layer() == null ? null : place.layer().bottomMm(),
                rating == null ? null : rating.standing(),
                rating == null ? null : rating.low(),
                rating == null ? null : rating.high(),
                code,
                figure == null ? null : figure.value(),
                figure == null ? null : figure.low(),
                figure == null ? null : figure.high(),
                figure == null ? null : figure.unit(),
                points(envelope, indicator),
                read.kind(),
                read.source().code(),
                place.takenAt());
    }

    private void refresh(UUID stop, String indicator, String band, String source) {
        UUID newest = rows.newest(stop, indicator, band, source);
        if (newest != null) {
            rows.markLatest(stop, indicator, band, source, newest);
        }
    }
}
