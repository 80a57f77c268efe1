package org.morphotera.server.plans;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.springframework.stereotype.Component;

/** What pH and salt should do over the years after lime and drains, with what was read on top. */
@Component
class Outlooks {

    private static final int YEARS = 6;
    /** Lime that is worked in has answered after about two years. */
    private static final double LIME_YEARS = 2;
    /** How far a straight line of salt may be off: rain varies by about a third. */
    private static final double SALT_SPREAD = 0.35;

    private static final double NO_SALT = 4;

    private final IndicatorReader indicators;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final Clock clock;

    Outlooks(IndicatorReader indicators, Benchmarks benchmarks, Messages messages, Clock clock) {
        this.indicators = indicators;
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
        if (facts.ece() != null && facts.ece() > NO_SALT && facts.drained()) {
            outlooks.add(salt(practice, field, facts, today));
        }
        return outlooks;
    }

    private FieldPlan.Outlook lime(UUID practice, Field field, FieldFacts facts, Action lime, LocalDate today) {
        LocalDate start = lime.doneOn() != null ? lime.doneOn() : lime.dueFrom() != null ? lime.dueFrom() : today;
        double from = number(lime.inputs(), "phWater", facts.phWater() == null ? 6 : facts.phWater());
        double target = number(lime.inputs(), "targetPh", from);
        double half = number(lime.inputs(), "phHalfWidth", 0.2) + 0.1;
        List<FieldPlan.OutlookPoint> expected = new ArrayList<>();
        for (int halfYear = 0; halfYear <= 2 * YEARS; halfYear++) {
            double share = Math.min(1, halfYear / 2.0 / LIME_YEARS);
            double ph = from + share * (target - from);
            double band = half + 0.35 * share * Math.abs(target - from);
            expected.add(new FieldPlan.OutlookPoint(start.plusMonths(6L * halfYear), ph, ph - band, ph + band));
        }
        return new FieldPlan.Outlook(
                "ph",
                messages.word("ph"),
                "pH",
                observed(practice, field, "ph", "ph"),
                expected,
                target,
                "From pH " + from
                        + " evenly to the target within two years of liming; the band is the reading's own and"
                        + " a third of the step.");
    }

    private FieldPlan.Outlook salt(UUID practice, Field field, FieldFacts facts, LocalDate today) {
        double aYear = benchmarks.table("plan.leaching").at("rain-ds-per-m-a-year", "value");
        boolean known =
                facts.crop() != null && benchmarks.table("salinity.crops").has(facts.crop());
        double target = known ? benchmarks.table("salinity.crops").at(facts.crop(), "threshold") : NO_SALT;
        List<FieldPlan.OutlookPoint> expected = new ArrayList<>();
        for (int year = 0; year <= YEARS; year++) {
            double lost = aYear * year;
            expected.add(new FieldPlan.OutlookPoint(
                    today.plusYears(year),
                    Math.max(0, facts.ece() - lost),
                    Math.max(0, facts.ece() - lost * (1 + SALT_SPREAD) - 0.3),
                    facts.ece() - lost * (1 - SALT_SPREAD) + 0.3));
        }
        return new FieldPlan.Outlook(
                "salinity",
                messages.word("salinity"),
                "dS/m",
                observed(practice, field, "salinity", "salinity"),
                expected,
                target,
                "Drained and left to rain: about " + aYear + " dS/m a year, give or take a third.");
    }

    private static double number(Map<String, Object> inputs, String name, double otherwise) {
        return inputs.get(name) instanceof Number number ? number.doubleValue() : otherwise;
    }

    /** The middle of the stops on each date that it was read. */
    private List<FieldPlan.OutlookPoint> observed(UUID practice, Field field, String indicator, String method) {
        String band = indicators.series(practice, field.id()).stream()
                .filter(each ->
                        each.indicator().equals(indicator) && each.method().equals(method))
                .max(java.util.Comparator.comparingInt(IndicatorReader.Series::visits))
                .map(IndicatorReader.Series::band)
                .orElse("");
        Map<LocalDate, List<Double>> byDay = indicators.history(practice, field.id(), indicator, band, method).stream()
                .filter(row -> row.figure() != null)
                .collect(Collectors.groupingBy(
                        row -> row.takenAt().atZone(java.time.ZoneOffset.UTC).toLocalDate(),
                        TreeMap::new,
                        Collectors.mapping(IndicatorRow::figure, Collectors.toList())));
        List<FieldPlan.OutlookPoint> points = new ArrayList<>();
        byDay.forEach((day, values) -> {
            List<Double> sorted = values.stream().sorted().toList();
            int half = sorted.size() / 2;
            double middle = sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
            points.add(new FieldPlan.OutlookPoint(day, middle, sorted.get(0), sorted.get(sorted.size() - 1)));
        });
        return points;
    }
}
