package org.morphotera.server.indicators;

import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.MadeOld;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.SourceOrder;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.ManagementEvent;
import org.springframework.stereotype.Component;

/** The readings that speak for a field: those of its leading stops, of each property by its best source. */
@Component
public class FieldIndicators {

    private final IndicatorReader rows;
    private final FieldReader fields;
    private final EvidenceTables tables;

    FieldIndicators(IndicatorReader rows, FieldReader fields, EvidenceTables tables) {
        this.rows = rows;
        this.fields = fields;
        this.tables = tables;
    }

    private record Property(String indicator, boolean subsoil) {}

    /** The same in whatever order a database hands rows out. */
    private static final Comparator<IndicatorRow> ORDER =
            Comparator.comparing(IndicatorRow::takenAt).thenComparing(IndicatorRow::measurementId);

    private static List<IndicatorRow> best(List<IndicatorRow> all) {
        return SourceOrder.best(
                all.stream().sorted(ORDER).toList(),
                row -> new Property(row.indicator(), DepthLayer.isSubsoil(row.layer())),
                IndicatorRow::from);
    }

    /** The newest of each leading stop. */
    public List<IndicatorRow> ofField(UUID practice, UUID field) {
        return best(rows.latestOfField(practice, field));
    }

    /** The same without what something done since has made old. */
    public List<IndicatorRow> standing(UUID practice, UUID field) {
        return best(everySource(practice, field));
    }

    /** The same of some stops, whatever they stand for. */
    public List<IndicatorRow> scoresOf(UUID practice, UUID field, List<UUID> stops) {
        return best(everySourceOf(practice, field, stops));
    }

    /** The newest of each leading stop by every source, without what something done since has made old. */
    public List<IndicatorRow> everySource(UUID practice, UUID field) {
        return notOld(practice, field, rows.latestOfField(practice, field));
    }

    /** The same of some stops, whatever they stand for. */
    private List<IndicatorRow> everySourceOf(UUID practice, UUID field, List<UUID> stops) {
        return notOld(
                practice,
                field,
                stops.stream()
                        .flatMap(stop -> rows.latestOfStop(practice, stop).stream())
                        .toList());
    }

    private List<IndicatorRow> notOld(UUID practice, UUID field, List<IndicatorRow> latest) {
        MadeOld old = new MadeOld(
                fields.events(practice, field).stream()
                        .map(FieldIndicators::done)
                        .toList(),
                tables);
        return latest.stream()
                .filter(row -> !old.is(
                        row.indicator(),
                        row.stopId().toString(),
                        row.takenAt().atZone(ZoneOffset.UTC).toLocalDate()))
                .toList();
    }

    private static MadeOld.Done done(ManagementEvent event) {
        return new MadeOld.Done(
                event.happenedOn(),
                event.kind(),
                event.stopIds() == null
                        ? null
                        : event.stopIds().stream().map(UUID::toString).collect(Collectors.toSet()));
    }
}
