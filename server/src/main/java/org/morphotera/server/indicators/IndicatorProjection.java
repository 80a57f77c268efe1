package org.morphotera.server.indicators;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.score.DepthBand;
import org.morphotera.core.soil.DepthLayer;
import org.springframework.stereotype.Component;

/** Keeps the rows of {@code indicator_value} in step with the measurements that stand. */
@Component
public class IndicatorProjection {

    /** Where and when a measurement was made. */
    public record Place(UUID practice, UUID field, UUID visit, UUID stop, DepthLayer layer, Instant takenAt) {}

    private final IndicatorMapper rows;
    private final SightingMapper sightings;
    private final MethodRegistry methods;

    IndicatorProjection(IndicatorMapper rows, SightingMapper sightings, MethodRegistry methods) {
        this.rows = rows;
        this.sightings = sightings;
        this.methods = methods;
    }

    /** Adds what a measurement shows. */
    public void add(UUID measurement, Place place, Map<String, Object> readings, Envelope envelope) {
        FieldMethod<?> method = methods.get(envelope.method());
        addSightings(measurement, place, method.sightings(readings, envelope, topOf(place)));
        String kind = method.kind(readings, envelope);
        MethodCard card = method.card();
        for (MethodCard.Indicator indicator : card.indicators()) {
            Envelope.RatingText rating =
                    method.hides(indicator.id(), envelope) ? null : envelope.standing(indicator.id());
            if (rating != null) {
                insert(measurement, indicator.id(), place, envelope, rating, indicator.figure(), rating.reason(), kind);
            }
        }
        if (card.contextClass() != null && method.contextCode(envelope) instanceof String code) {
            insert(measurement, card.contextClass(), place, envelope, null, null, code, kind);
        }
    }

    private static Double topOf(Place place) {
        return place.layer() == null ? null : place.layer().topMm();
    }

    private void addSightings(UUID measurement, Place place, List<Sighting> seen) {
        for (Sighting each : seen) {
            sightings.insert(
                    place.practice(),
                    place.field(),
                    new SightingMapper.Row(
                            measurement, each.finding(), place.stop(), each.figure(), each.state(), place.takenAt()));
            sightings.markLatest(place.stop(), each.finding());
        }
    }

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
        gone.forEach(row -> refresh(row.stopId(), row.indicator(), row.band()));
        List<SightingMapper.Row> unseen = sightings.ofMeasurement(practice, measurement);
        sightings.delete(practice, measurement);
        unseen.forEach(row -> sightings.markLatest(row.stopId(), row.finding()));
    }

    private void insert(
            UUID measurement,
            String indicator,
            Place place,
            Envelope envelope,
            Envelope.RatingText rating,
            String figureName,
            String code,
            String kind) {
        String band = DepthBand.ofMiddle(place.layer()).code();
        Envelope.Figure figure = figureName == null ? null : envelope.values().get(figureName);
        rows.insert(
                place.practice(),
                new IndicatorRow(
                        measurement,
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
                        kind,
                        place.takenAt()));
        refresh(place.stop(), indicator, band);
    }

    private void refresh(UUID stop, String indicator, String band) {
        UUID newest = rows.newest(stop, indicator, band);
        if (newest != null) {
            rows.markLatest(stop, indicator, band, newest);
        }
    }
}
