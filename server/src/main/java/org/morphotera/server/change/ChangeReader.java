package org.morphotera.server.change;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.judgement.ChangeWords;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.judgement.IndicatorSeries;
import org.morphotera.core.judgement.IndicatorSeries.Did;
import org.morphotera.core.judgement.IndicatorSeries.Told;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.result.Level;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.judgements.JudgedFields;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Service;

/** Reads what may be said of change; also for the report. */
@Service
public class ChangeReader {

    /** What to look at: a series, only some stops, a period. All may be {@code null}. */
    public record Wanted(
            @Nullable String indicator,
            @Nullable String band,
            @Nullable String key,
            @Nullable List<UUID> stops,
            @Nullable LocalDate from,
            @Nullable LocalDate to) {}

    private final FieldReader fields;
    private final JudgedFields judged;
    private final ChangeWords words;
    private final Benchmarks benchmarks;
    private final Messages messages;

    ChangeReader(FieldReader fields, JudgedFields judged, Benchmarks benchmarks, Messages messages) {
        this.fields = fields;
        this.judged = judged;
        this.words = new ChangeWords(messages);
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /** What is told of a field between the first and the last date of each series, the surest first. */
    public List<Changes.SeriesChange> told(UUID practice, UUID field) {
        return told(judged.of(practice, field), null, null);
    }

    private List<Changes.SeriesChange> told(
            FieldJudgement judgement, @Nullable LocalDate from, @Nullable LocalDate to) {
        return FieldJudgement.told(judgement.changes(from, to)).stream()
                .map(each -> new Changes.SeriesChange(
                        each.series().id().indicator(),
                        each.series().id().band(),
                        each.series().id().key(),
                        words.subject(each.series().id()),
                        verdict(each.series(), each.change(), true)))
                .toList();
    }

    /** @throws NotFoundException when there is no such field, or nothing of what is wanted was read in it */
    public Changes.ChangeView read(UUID practice, UUID id, Wanted wanted) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        FieldJudgement judgement = wanted.stops() == null || wanted.stops().isEmpty()
                ? judged.of(practice, id)
                : judged.of(practice, id, Set.copyOf(wanted.stops()));
        List<ManagementEvent> events = fields.events(practice, id);
        List<Changes.SeriesChange> told = told(judgement, wanted.from(), wanted.to());
        List<Changes.SeriesEntry> entries =
                judgement.series().stream().map(this::entry).toList();
        IndicatorSeries chosen = chosen(judgement, wanted, told);
        return new Changes.ChangeView(
                field.name(),
                entries,
                chosen == null ? null : entry(chosen),
                chosen == null || chosen.ofScore() ? null : chosen.unit(),
                chosen == null
                        ? null
                        : messages.optional("figure." + chosen.id().indicator()),
                chosen != null && !chosen.hasFigure(),
                chosen == null ? 0 : chosen.moreIsBetter(),
                chosen == null ? null : window(field, chosen),
                fields.stops(practice, id),
                chosen == null ? List.of() : points(chosen, judgement.field(), wanted),
                chosen == null
                        ? List.of()
                        : chosen.course().stream()
                                .filter(each -> within(each.visit().on(), wanted))
                                .map(ChangeReader::date)
                                .toList(),
                chosen == null ? null : change(chosen, wanted, told),
                chosen == null ? null : trend(chosen),
                chosen == null ? List.of() : effects(chosen, events),
                events,
                chosen == null ? List.of() : designs(chosen),
                told,
                told.isEmpty()
                        ? null
                        : Double.valueOf(told.stream()
                                .mapToDouble(each -> 1 - each.change().probability())
                                .average()
                                .orElseThrow()));
    }

    private Changes.SeriesEntry entry(IndicatorSeries series) {
        List<JudgedField.Reading> readings = series.readings();
        String method = readings.get(readings.size() - 1).method();
        String key = series.id().key();
        return new Changes.SeriesEntry(
                series.id().indicator(),
                messages.word(series.id().indicator()),
                series.id().band(),
                messages.text("depth." + series.id().band()),
                key,
                key == null ? null : messages.word(key),
                method,
                messages.text(method + ".title"),
                series.visits().size());
    }

    /** The one asked for; else the surest of what is told; else what was read on most visits. */
    private static @Nullable IndicatorSeries chosen(
            FieldJudgement judgement, Wanted wanted, List<Changes.SeriesChange> told) {
        if (wanted.indicator() != null) {
            return NotFoundException.require(
                    judgement.series().stream()
                            .filter(each -> each.id().indicator().equals(wanted.indicator())
                                    && (wanted.band() == null
                                            || each.id().band().equals(wanted.band()))
                                    && (wanted.key() == null
                                            || wanted.key().equals(each.id().key())))
                            .max(mostRead())
                            .orElse(null),
                    "reading of this indicator in this field");
        }
        Changes.SeriesChange first = told.isEmpty() ? null : told.get(0);
        return judgement.series().stream()
                .filter(each -> first == null
                        || each.id().equals(new IndicatorSeries.Id(first.indicator(), first.band(), first.key())))
                .max(mostRead())
                .orElse(null);
    }

    private static Comparator<IndicatorSeries> mostRead() {
        return Comparator.comparingInt(each -> each.visits().size());
    }

    private static boolean within(LocalDate day, Wanted wanted) {
        return (wanted.from() == null || !day.isBefore(wanted.from()))
                && (wanted.to() == null || !day.isAfter(wanted.to()));
    }

    /** The crop's window of pH, where pH is drawn. */
    private Changes.@Nullable Wanted window(Field field, IndicatorSeries chosen) {
        if (!chosen.id().indicator().equals("ph")) {
            return null;
        }
        PhWindow window = PhWindow.of(
                field.crop(), Coded.find(LandUse.values(), field.landUse()), benchmarks.table("ph.windows"));
        return new Changes.Wanted(window.low(), window.high());
    }

    private static List<Changes.Point> points(IndicatorSeries series, JudgedField field, Wanted wanted) {
        Map<String, LocalDate> days =
                field.visits().stream().collect(Collectors.toMap(JudgedField.Visit::id, JudgedField.Visit::on));
        boolean figures = series.hasFigure();
        return series.readings().stream()
                .filter(each -> within(days.get(each.visit()), wanted))
                .map(each -> new Changes.Point(
                        UUID.fromString(each.id()),
                        UUID.fromString(each.stop()),
                        UUID.fromString(each.visit()),
                        days.get(each.visit()),
                        figures ? Objects.requireNonNull(each.figure()) : each.score(),
                        figures ? each.low() : null,
                        figures ? each.high() : null,
                        each.score(),
                        Level.of(each.score()).code(),
                        each.kind()))
                .toList();
    }

    private static Changes.Date date(IndicatorSeries.CoursePoint at) {
        return new Changes.Date(
                UUID.fromString(at.visit().id()), at.visit().on(), at.stops(), at.value(), at.low(), at.high());
    }

    private Changes.@Nullable ChangeVerdict change(
            IndicatorSeries chosen, Wanted wanted, List<Changes.SeriesChange> told) {
        Told change = chosen.change(wanted.from(), wanted.to());
        return change == null
                ? null
                : verdict(
                        chosen,
                        change,
                        told.stream()
                                .anyMatch(each -> chosen.id()
                                        .equals(new IndicatorSeries.Id(each.indicator(), each.band(), each.key()))));
    }

    private Changes.ChangeVerdict verdict(IndicatorSeries series, Told change, boolean told) {
        return new Changes.ChangeVerdict(
                change.from().on(),
                change.to().on(),
                FieldJudgement.verdict(change.risen(), change.fallen()),
                direction(change.better()),
                change.probability(),
                told,
                series.ratio(),
                change.mean(),
                change.low(),
                change.high(),
                change.earlier(),
                change.later(),
                series.smallest(change),
                words.changed(series, change));
    }

    private static String direction(int better) {
        return better > 0 ? "better" : better < 0 ? "worse" : "none";
    }

    private Changes.@Nullable TrendView trend(IndicatorSeries series) {
        IndicatorSeries.Slope slope = series.slope();
        return slope == null
                ? null
                : new Changes.TrendView(
                        slope.dates(),
                        slope.from(),
                        slope.aYear(),
                        slope.low(),
                        slope.high(),
                        words.slope(series, slope));
    }

    private List<Changes.EventChange> effects(IndicatorSeries series, List<ManagementEvent> events) {
        Map<String, ManagementEvent> byId =
                events.stream().collect(Collectors.toMap(each -> each.id().toString(), Function.identity()));
        return series.did().stream()
                .map(each -> effect(series, each, byId.get(each.event().id())))
                .toList();
    }

    private Changes.EventChange effect(IndicatorSeries series, Did did, ManagementEvent event) {
        return new Changes.EventChange(
                event,
                FieldJudgement.verdict(did.risen(), did.fallen()),
                direction(did.better()),
                Math.max(did.risen(), did.fallen()),
                did.mean(),
                did.low(),
                did.high(),
                did.with(),
                did.without(),
                did.stops(),
                did.leftAlone(),
                words.did(series, did));
    }

    private static List<Changes.Design> designs(IndicatorSeries series) {
        return series.designs().stream()
                .map(each ->
                        new Changes.Design(each.stops(), each.leftAlone(), each.visits(), each.change(), each.effect()))
                .toList();
    }
}
