package org.morphotera.server.judgements;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.judgement.IndicatorSeries;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.judgement.LimeAmount;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.SourceOrder;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.fields.Patches;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.indicators.SightingReader;
import org.morphotera.server.methods.OwnRules;
import org.morphotera.server.viewcache.ViewCache;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Service;

/** Fields as they are kept, judged by the field model: the same for every page that speaks of levels and change. */
@Service
public class JudgedFields {

    private final FieldReader fields;
    private final VisitReader visits;
    private final IndicatorReader indicators;
    private final SightingReader sightings;
    private final MethodRegistry methods;
    private final OwnRules rules;
    private final ViewCache kept;
    private final Clock clock;

    JudgedFields(
            FieldReader fields,
            VisitReader visits,
            IndicatorReader indicators,
            SightingReader sightings,
            MethodRegistry methods,
            OwnRules rules,
            ViewCache kept,
            Clock clock) {
        this.fields = fields;
        this.visits = visits;
        this.indicators = indicators;
        this.sightings = sightings;
        this.methods = methods;
        this.rules = rules;
        this.kept = kept;
        this.clock = clock;
    }

    /**
     * A field as it stands today.
     *
     * @throws NotFoundException when the practice has no such field
     */
    public FieldJudgement of(UUID practice, UUID field) {
        return kept.of(FieldJudgement.class, practice, field, () -> judge(practice, read(practice, field)));
    }

    /** The same by the readings of some stops alone. */
    public FieldJudgement of(UUID practice, UUID field, Set<UUID> stops) {
        Set<String> wanted = stops.stream().map(UUID::toString).collect(Collectors.toSet());
        JudgedField all = read(practice, field);
        return judge(
                practice,
                new JudgedField(
                        all.on(),
                        all.place(),
                        all.stops(),
                        all.visits(),
                        all.events(),
                        all.readings().stream()
                                .filter(each -> wanted.contains(each.stop()))
                                .toList()));
    }

    /** The same anew and by the tables alone, without what was learned of the practice's readings. */
    FieldJudgement unlearned(UUID practice, UUID field) {
        return FieldJudgement.of(read(practice, field), rules.unlearned(practice));
    }

    private record Place(UUID stop, String indicator, String band) {}

    /**
     * Rows with the standings that the model gives their stops; of one indicator of a stop the best source stands for all.
     *
     * @param rows of the field
     * @param visit as it was then; {@code null} for the newest
     */
    public List<IndicatorRow> modelled(FieldJudgement judgement, List<IndicatorRow> rows, @Nullable UUID visit) {
        List<IndicatorRow> judged = rows.stream()
                .filter(row -> row.standing() != null)
                .sorted(Comparator.comparing(IndicatorRow::takenAt).thenComparing(IndicatorRow::measurementId))
                .toList();
        List<IndicatorRow> modelled = new ArrayList<>(
                rows.stream().filter(row -> row.standing() == null).toList());
        for (IndicatorRow row : SourceOrder.best(
                judged, row -> new Place(row.stopId(), row.indicator(), row.band()), IndicatorRow::from)) {
            boolean apart = methods.get(row.method()).evidence().kindsNeverCompare();
            IndicatorSeries series =
                    judgement.of(new IndicatorSeries.Id(row.indicator(), row.band(), apart ? row.kind() : null));
            String stop = row.stopId().toString();
            IndicatorSeries.LevelFigure level =
                    series == null ? null : visit == null ? series.stop(stop) : series.stop(stop, visit.toString());
            modelled.add(level == null ? row : row.standing(level.score(), level.scoreLow(), level.scoreHigh()));
        }
        return modelled;
    }

    private FieldJudgement judge(UUID practice, JudgedField field) {
        return FieldJudgement.of(field, rules.benchmarks(practice));
    }

    private JudgedField read(UUID practice, UUID id) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        List<IndicatorRow> rows = indicators.ofField(practice, id);
        Map<UUID, Set<String>> noted = sightings.notedOf(practice, id).stream()
                .collect(Collectors.groupingBy(
                        SightingReader.Noted::measurementId,
                        Collectors.flatMapping(each -> each.codes().stream(), Collectors.toSet())));
        List<Stop> stops = fields.stops(practice, id);
        StopRole leading = StopRole.leading(Patches.roles(stops));
        Set<UUID> speaking = stops.stream()
                .filter(each -> leading == null || leading.code().equals(each.role()))
                .map(Stop::id)
                .collect(Collectors.toSet());
        String texture = IndicatorRow.readings(rows.stream()
                        .filter(each -> speaking.contains(each.stopId()))
                        .toList())
                .texture(field.textureClass());
        TextureClass known = texture == null ? null : Coded.find(TextureClass.values(), texture);
        return new JudgedField(
                LocalDate.now(clock),
                new FigureScore.Place(
                        known == null ? null : known.group(),
                        field.crop(),
                        Coded.find(LandUse.values(), field.landUse())),
                stops.stream()
                        .map(each -> new JudgedField.Stop(
                                each.id().toString(),
                                each.label(),
                                Coded.find(StopRole.values(), each.role()),
                                null,
                                null,
                                each.areaSharePct()))
                        .toList(),
                visits.visitsOf(practice, id).stream()
                        .map(each -> new JudgedField.Visit(each.id().toString(), each.visitedOn(), each.person()))
                        .toList(),
                fields.events(practice, id).stream().map(JudgedFields::event).toList(),
                rows.stream()
                        .filter(each -> each.standing() != null)
                        .map(each -> reading(each, noted.getOrDefault(each.measurementId(), Set.of())))
                        .toList());
    }

    private static JudgedField.Event event(ManagementEvent each) {
        Double known = LimeAmount.tHa(each.kind(), each.rate());
        return new JudgedField.Event(
                each.id().toString(),
                each.happenedOn(),
                each.kind(),
                each.what(),
                known == null ? LimeAmount.tHa(each.kind(), each.what()) : known,
                stops(each));
    }

    private static @Nullable Set<String> stops(ManagementEvent each) {
        return each.stopIds() == null
                ? null
                : each.stopIds().stream().map(UUID::toString).collect(Collectors.toSet());
    }

    private JudgedField.Reading reading(IndicatorRow row, Set<String> marks) {
        return new JudgedField.Reading(
                row.measurementId().toString(),
                row.indicator(),
                row.band(),
                row.method(),
                row.kind(),
                methods.get(row.method()).evidence().kindsNeverCompare(),
                row.from(),
                row.stopId().toString(),
                row.visitId().toString(),
                row.standing(),
                row.figure(),
                row.figureLow(),
                row.figureHigh(),
                row.unit(),
                row.layer(),
                marks);
    }
}
