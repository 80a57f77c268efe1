package org.morphotera.server.visits;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.context.Additions;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.springframework.stereotype.Component;

/** Gathers from rows what the core needs for the context of a test. */
@Component
public class VisitContexts {

    private final FieldReader fields;
    private final VisitReader visits;
    private final IndicatorReader indicators;
    private final Additions additions;

    VisitContexts(FieldReader fields, VisitMapper visits, IndicatorReader indicators, Benchmarks benchmarks) {
        this.fields = fields;
        this.visits = visits;
        this.indicators = indicators;
        this.additions = new Additions(benchmarks);
    }

    /**
     * All that is on record of a visit and its field.
     *
     * @param stops all of the field's
     */
    public PlaceAndDay of(UUID practice, Visit visit, Field field, List<Stop> stops) {
        return of(practice, visit, field, stops, read(practice, field.id(), visit.id()));
    }

    /** @param read what was read that is context for others, as {@link #contextIn} finds it */
    public PlaceAndDay of(
            UUID practice, Visit visit, Field field, List<Stop> stops, List<PlaceAndDay.ContextReading> read) {
        return new PlaceAndDay(
                new PlaceAndDay.KnownField(field.landUse(), field.crop(), field.purpose(), field.textureClass()),
                new PlaceAndDay.KnownVisit(
                        visit.visitedOn(),
                        visit.soilMoisture(),
                        visit.daysSinceRain(),
                        visit.soilTempC(),
                        visit.carbonAdded()),
                southern(practice, stops),
                fields.events(practice, field.id()).stream()
                        .map(each -> new PlaceAndDay.PastEvent(each.kind(), each.happenedOn()))
                        .toList(),
                read);
    }

    /** What is context for others in the rows of a visit and the newest textures of its field. */
    public static List<PlaceAndDay.ContextReading> contextIn(List<IndicatorRow> rows, UUID visit) {
        return rows.stream()
                .filter(row -> row.indicator().equals("textureClass")
                        || row.indicator().equals("ground-cover")
                                && row.visitId().equals(visit))
                .sorted(Comparator.comparing(IndicatorRow::takenAt).thenComparing(IndicatorRow::measurementId))
                .map(row -> new PlaceAndDay.ContextReading(
                        row.measurementId().toString(),
                        row.stopId().toString(),
                        row.takenAt(),
                        row.indicator().equals("textureClass") ? row.code() : null,
                        row.indicator().equals("textureClass") ? null : row.figure()))
                .toList();
    }

    /**
     * Readings at a field's stops that are context for other tests: textures, and covers of a visit.
     *
     * @param visit {@code null} for textures alone
     */
    public List<PlaceAndDay.ContextReading> read(UUID practice, UUID field, @Nullable UUID visit) {
        return indicators.contextOfField(practice, field, visit).stream()
                .map(row -> new PlaceAndDay.ContextReading(
                        row.measurementId().toString(),
                        row.stopId().toString(),
                        row.takenAt(),
                        row.code(),
                        row.figure()))
                .toList();
    }

    /** The context of a test at a stop; the sampled layer comes from the test. */
    public Map<String, Object> contextOf(PlaceAndDay at, UUID stop) {
        return at.contextOf(stop.toString(), additions);
    }

    /** Whether fresh carbon came in last autumn, as of the newest visit; {@code null} where unknown. */
    public @Nullable Boolean carbonAdded(UUID practice, Field field) {
        Visit newest = visits.newest(practice, field.id());
        return newest == null
                ? null
                : of(practice, newest, field, fields.stops(practice, field.id()), List.of())
                        .carbonAdded(additions);
    }

    /** Whether a field lies on the southern hemisphere. */
    public boolean southern(UUID practice, List<Stop> stops) {
        List<Double> own =
                stops.stream().map(Stop::latitude).filter(Objects::nonNull).toList();
        if (!own.isEmpty()) {
            return PlaceAndDay.southern(own, null, null);
        }
        FieldReader.WhereItLies practiceLies = fields.whereItLies(practice);
        return PlaceAndDay.southern(own, practiceLies.latitude(), practiceLies.hemisphere());
    }
}
