package org.morphotera.server.plans;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.outlook.Outlook;
import org.morphotera.core.statistics.Sample;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.springframework.stereotype.Component;

/** What pH and salt should do over the years after lime and drains, with what was read on top. */
@Component
class Outlooks {

    private static final double UNKNOWN_PH = 6;
    private static final double UNKNOWN_HALF_WIDTH = 0.2;

    private final IndicatorReader indicators;
    private final FieldReader fields;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final Clock clock;

    Outlooks(IndicatorReader indicators, FieldReader fields, Benchmarks benchmarks, Messages messages, Clock clock) {
        this.indicators = indicators;
        this.fields = fields;
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.clock = clock;
    }

    List<FieldPlan.Outlook> of(UUID practice, Field field, FieldFacts facts, List<Action> actions) {
        List<FieldPlan.Outlook> outlooks = new ArrayList<>();
        LocalDate today = LocalDate.now(clock);
        actions.stream()
                .filter(each -> each.kind().equals("lime") && !each.state().equals("dropped"))
                .findFirst()
                .ifPresent(lime -> outlooks.add(lime(practice, field, facts, lime, today)));
        LocalDate drained = drainedOn(practice, field);
        if (facts.ece() != null && facts.ece() > Outlook.SALTY_OVER && drained != null) {
            TreeMap<LocalDate, List<IndicatorRow>> salt = byDay(practice, field, "salinity");
            if (!salt.isEmpty()) {
                outlooks.add(
                        view(Outlook.ofRain(drained, today, figures(salt), facts.crop(), benchmarks), drawn(salt)));
            }
        }
        return outlooks;
    }

    private @Nullable LocalDate drainedOn(UUID practice, Field field) {
        return fields.events(practice, field.id()).stream()
                .filter(event -> event.kind().equals("drain"))
                .map(ManagementEvent::happenedOn)
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    private FieldPlan.Outlook lime(UUID practice, Field field, FieldFacts facts, Action lime, LocalDate today) {
        LocalDate start = lime.doneOn() != null ? lime.doneOn() : lime.dueFrom() != null ? lime.dueFrom() : today;
        double from = number(lime.inputs(), "phWater", facts.phWater() == null ? UNKNOWN_PH : facts.phWater());
        double target = number(lime.inputs(), "targetPh", from);
        double half = number(lime.inputs(), "phHalfWidth", UNKNOWN_HALF_WIDTH);
        TreeMap<LocalDate, List<IndicatorRow>> observed = byDay(practice, field, "ph");
        return view(Outlook.ofLime(start, from, target, half, figures(observed)), drawn(observed));
    }

    private FieldPlan.Outlook view(Outlook outlook, List<FieldPlan.OutlookPoint> observed) {
        return new FieldPlan.Outlook(
                outlook.indicator(),
                messages.word(outlook.indicator()),
                outlook.unit(),
                observed,
                outlook.points().stream()
                        .map(each -> new FieldPlan.OutlookPoint(each.on(), each.value(), each.low(), each.high()))
                        .toList(),
                outlook.target(),
                outlook.basis(messages));
    }

    private static double number(Map<String, Object> inputs, String name, double otherwise) {
        return inputs.get(name) instanceof Number number ? number.doubleValue() : otherwise;
    }

    /** The readings of each date that it was read by its own method, at the stops that speak for the field. */
    private TreeMap<LocalDate, List<IndicatorRow>> byDay(UUID practice, Field field, String indicator) {
        String band = indicators.series(practice, field.id()).stream()
                .filter(each ->
                        each.indicator().equals(indicator) && each.method().equals(indicator))
                .max(Comparator.comparingInt(IndicatorReader.Series::visits))
                .map(IndicatorReader.Series::band)
                .orElse("");
        return indicators.historyLeading(practice, field.id(), indicator, band, indicator).stream()
                .filter(row -> row.figure() != null)
                .collect(Collectors.groupingBy(
                        row -> row.takenAt().atZone(ZoneOffset.UTC).toLocalDate(), TreeMap::new, Collectors.toList()));
    }

    /** The middle of the stops on each date, with the lowest and the highest. */
    private static List<FieldPlan.OutlookPoint> drawn(TreeMap<LocalDate, List<IndicatorRow>> byDay) {
        List<FieldPlan.OutlookPoint> points = new ArrayList<>();
        byDay.forEach((day, rows) -> {
            List<Double> values = rows.stream().map(IndicatorRow::figure).toList();
            points.add(new FieldPlan.OutlookPoint(
                    day, Sample.of(values).median(), Collections.min(values), Collections.max(values)));
        });
        return points;
    }

    /** The same with how far the instrument can be off: the stops stay the same, so their spread is no error. */
    private static List<Outlook.Observed> figures(TreeMap<LocalDate, List<IndicatorRow>> byDay) {
        List<Outlook.Observed> observed = new ArrayList<>();
        byDay.forEach((day, rows) -> observed.add(new Outlook.Observed(
                day,
                Sample.of(rows.stream().map(IndicatorRow::figure).toList()).median(),
                Sample.medianOrNull(rows.stream()
                        .filter(row -> row.figureLow() != null)
                        .map(row -> (row.figureHigh() - row.figureLow()) / 2)
                        .toList()))));
        return observed;
    }
}
