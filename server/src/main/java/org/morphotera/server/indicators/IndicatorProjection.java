package org.morphotera.server.indicators;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.limits.Sightings;
import org.morphotera.core.method.Envelope;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.MethodRegistry;
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

    /** Readings that say by which instrument, key or water a figure came about, in order of telling. */
    private static final List<String> KINDS = List.of("kind", "water", "mode", "key", "acid");

    private static final String HIDES_DISPERSION = "TAP_WATER";

    /** Adds what a measurement shows. */
    public void add(UUID measurement, Place place, Map<String, Object> readings, Envelope envelope) {
        addSightings(measurement, place, readings, envelope);
        String kind = KINDS.stream()
                .filter(name -> readings.get(name) instanceof String)
                .map(name -> (String) readings.get(name))
                .findFirst()
                .orElse(null);
        MethodCard card = methods.get(envelope.method()).card();
        for (MethodCard.Indicator indicator : card.indicators()) {
            if (indicator.id().equals("dispersion") && hidesDispersion(envelope)) {
                continue; // the salts of tap water hold clay together: judged as not measured
            }
            envelope.ratings().stream()
                    .filter(rating -> rating.indicator().equals(indicator.id())
                            && rating.school().equals("standing")
                            && rating.standing() != null)
                    .findFirst()
                    .ifPresent(rating -> insert(
                            measurement,
                            indicator.id(),
                            place,
                            envelope,
                            rating,
                            indicator.figure(),
                            rating.reason(),
                            kind));
        }
        if (card.contextClass() != null && envelope.classes().get(card.contextClass()) instanceof String code) {
            insert(measurement, card.contextClass(), place, envelope, null, null, code, kind);
        }
    }

    private void addSightings(UUID measurement, Place place, Map<String, Object> readings, Envelope envelope) {
        Double top = place.layer() == null ? null : place.layer().topMm();
        for (Sightings.Sighting seen : Sightings.of(readings, envelope, top)) {
            sightings.insert(
                    place.practice(),
                    place.field(),
                    new SightingMapper.Row(
                            measurement, seen.finding(), place.stop(), seen.figure(), seen.state(), place.takenAt()));
            sightings.markLatest(place.stop(), seen.finding());
        }
    }

    private static boolean hidesDispersion(Envelope envelope) {
        return envelope.notes().stream().anyMatch(note -> note.code().equals(HIDES_DISPERSION));
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
