package org.morphotera.core.judgement;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.judgement.FieldModel.Change;
import org.morphotera.core.judgement.FieldModel.Estimate;
import org.morphotera.core.judgement.FieldModel.EventEffect;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Unit;

/** The field model on readings as given, with its scatters as given: what the judgement of a field is worked out by. */
public final class FieldModelCalculator implements Calculator<FieldModelCalculator.Inputs> {

    record Visit(String id, Double years) {}

    record Stop(String id, String patch, Boolean untreated) {}

    record Event(Double years, Double expected, Double sd, List<String> stops) {}

    record Reading(String stop, String visit, String kind, String person, Double value, Double sd, Double kindSd) {}

    record Inputs(
            Scatter model,
            List<Visit> visits,
            List<Stop> stops,
            List<Event> events,
            List<Reading> readings,
            String from,
            String to) {}

    private static final Range ANY = Range.between(-100_000, 100_000);
    private static final Range SD = Range.between(0, 10_000);
    /** Readings far more exact than all else scatters would leave nothing but rounding. */
    private static final Range OVER_ZERO = Range.between(0.001, 10_000);

    private static final Range YEARS = Range.between(-500, 5000);
    private static final int ID_LENGTH = 100;
    private static final int MOST_VISITS = 200;
    private static final int MOST_STOPS = 500;
    private static final int MOST_EVENTS = 100;
    private static final int MOST_READINGS = 5000;
    private static final double USUAL_FREEDOM = 12;

    @Override
    public String id() {
        return "field-model";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.group("model", Need.REQUIRED, FieldModelCalculator::scatter),
                fields.list(
                        "visits",
                        Range.between(1, MOST_VISITS),
                        Need.REQUIRED,
                        visit -> new Visit(
                                visit.text("id", ID_LENGTH, Need.REQUIRED),
                                visit.number("years", Unit.NONE, YEARS, Need.REQUIRED))),
                fields.list(
                        "stops",
                        Range.between(1, MOST_STOPS),
                        Need.REQUIRED,
                        stop -> new Stop(
                                stop.text("id", ID_LENGTH, Need.REQUIRED),
                                stop.text("patch", ID_LENGTH, Need.OPTIONAL),
                                stop.flagOr("untreated", false))),
                fields.list(
                        "events",
                        Range.between(0, MOST_EVENTS),
                        Need.OPTIONAL,
                        event -> new Event(
                                event.number("years", Unit.NONE, YEARS, Need.REQUIRED),
                                event.numberOr("expected", Unit.NONE, ANY, 0),
                                event.number("sd", Unit.NONE, SD, Need.OPTIONAL),
                                event.texts("stops", ID_LENGTH, Range.between(1, MOST_STOPS), Need.OPTIONAL))),
                fields.list(
                        "readings",
                        Range.between(1, MOST_READINGS),
                        Need.REQUIRED,
                        reading -> new Reading(
                                reading.text("stop", ID_LENGTH, Need.REQUIRED),
                                reading.text("visit", ID_LENGTH, Need.REQUIRED),
                                reading.text("kind", ID_LENGTH, Need.OPTIONAL),
                                reading.text("person", ID_LENGTH, Need.OPTIONAL),
                                reading.number("value", Unit.NONE, ANY, Need.REQUIRED),
                                reading.number("sd", Unit.NONE, OVER_ZERO, Need.REQUIRED),
                                reading.numberOr("kindSd", Unit.NONE, SD, 0))),
                fields.text("from", ID_LENGTH, Need.OPTIONAL),
                fields.text("to", ID_LENGTH, Need.OPTIONAL));
    }

    private static Scatter scatter(Fields model) {
        return new Scatter(
                orZero(model.number("start", Unit.NONE, ANY, Need.REQUIRED)),
                orZero(model.number("startSd", Unit.NONE, SD, Need.REQUIRED)),
                orZero(model.number("drift", Unit.NONE, SD, Need.REQUIRED)),
                orZero(model.number("event", Unit.NONE, SD, Need.REQUIRED)),
                orZero(model.number("patch", Unit.NONE, SD, Need.REQUIRED)),
                orZero(model.number("stop", Unit.NONE, SD, Need.REQUIRED)),
                orZero(model.number("spot", Unit.NONE, SD, Need.REQUIRED)),
                orZero(model.number("visit", Unit.NONE, SD, Need.REQUIRED)),
                model.numberOr("person", Unit.NONE, SD, 0),
                model.numberOr("freedom", Unit.NONE, Range.above(0, 1e6), USUAL_FREEDOM),
                orZero(model.number("real", Unit.NONE, Range.between(0, 1), Need.REQUIRED)));
    }

    private static double orZero(@Nullable Double figure) {
        return figure == null ? 0 : figure;
    }

    @Override
    public void check(Inputs in, Faults faults) {
        Map<String, Visit> visits = byId("visits", in.visits(), Visit::id, faults);
        Map<String, Stop> stops = byId("stops", in.stops(), Stop::id, faults);
        List<Event> events = events(in);
        for (int j = 0; j < events.size(); j++) {
            List<String> named = events.get(j).stops();
            for (int i = 0; named != null && i < named.size(); i++) {
                known("events[" + j + "].stops[" + i + "]", named.get(i), stops, faults);
            }
        }
        Set<String> read = new HashSet<>();
        for (int i = 0; i < in.readings().size(); i++) {
            Reading each = in.readings().get(i);
            known("readings[" + i + "].stop", each.stop(), stops, faults);
            known("readings[" + i + "].visit", each.visit(), visits, faults);
            read.add(each.visit());
        }
        window(in, visits, read, faults);
    }

    private static void window(Inputs in, Map<String, Visit> visits, Set<String> read, Faults faults) {
        known("from", in.from(), visits, faults);
        known("to", in.to(), visits, faults);
        if (faults.isEmpty()) {
            double from = years(in.from(), visits, Double.NEGATIVE_INFINITY);
            double to = years(in.to(), visits, Double.POSITIVE_INFINITY);
            if (from > to) {
                faults.add("to", "TO_BEFORE_FROM");
            } else if (visits.values().stream()
                    .noneMatch(each -> read.contains(each.id()) && each.years() >= from && each.years() <= to)) {
                faults.add("to", "NOTHING_READ_BETWEEN");
            }
        }
    }

    private static double years(@Nullable String visit, Map<String, Visit> visits, double unsaid) {
        return visit == null ? unsaid : visits.get(visit).years();
    }

    private static <T> Map<String, T> byId(String list, List<T> items, Function<T, String> id, Faults faults) {
        Map<String, T> found = new LinkedHashMap<>();
        for (int i = 0; i < items.size(); i++) {
            if (found.put(id.apply(items.get(i)), items.get(i)) != null) {
                faults.add(list + "[" + i + "].id", "ID_TWICE", Map.of("id", id.apply(items.get(i))));
            }
        }
        return found;
    }

    private static void known(String at, @Nullable String id, Map<String, ?> among, Faults faults) {
        if (id != null && !among.containsKey(id)) {
            faults.add(at, "NO_SUCH_ID", Map.of("id", id));
        }
    }

    private static List<Event> events(Inputs in) {
        return in.events() == null ? List.of() : in.events();
    }

    @Override
    @SuppressWarnings("unchecked")
    public void makeSound(Map<String, Object> tree, Random random) {
        List<Map<String, Object>> visits = named((List<Map<String, Object>>) tree.get("visits"), "v");
        List<Map<String, Object>> stops = named((List<Map<String, Object>>) tree.get("stops"), "s");
        for (Map<String, Object> each : (List<Map<String, Object>>) tree.get("readings")) {
            each.put("visit", any(visits, random));
            each.put("stop", any(stops, random));
        }
        for (Map<String, Object> each : (List<Map<String, Object>>) tree.getOrDefault("events", List.of())) {
            each.computeIfPresent("stops", (name, some) -> List.of(any(stops, random)));
        }
        tree.remove("from");
        tree.remove("to");
    }

    private static List<Map<String, Object>> named(List<Map<String, Object>> items, String letter) {
        for (int i = 0; i < items.size(); i++) {
            items.get(i).put("id", letter + i);
        }
        return items;
    }

    private static Object any(List<Map<String, Object>> items, Random random) {
        return items.get(random.nextInt(items.size())).get("id");
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        FieldModel model = FieldModel.of(
                in.model(),
                new ModelReadings(
                        in.visits().stream()
                                .map(each -> new ModelReadings.Visit(each.id(), each.years()))
                                .toList(),
                        in.stops().stream()
                                .map(each -> new ModelReadings.Stop(each.id(), each.patch(), each.untreated()))
                                .toList(),
                        events(in).stream()
                                .map(each -> new ModelReadings.Event(
                                        each.years(),
                                        each.expected(),
                                        each.sd() == null ? in.model().event() : each.sd(),
                                        each.stops() == null ? null : Set.copyOf(each.stops())))
                                .toList(),
                        in.readings().stream()
                                .map(each -> new ModelReadings.Reading(
                                        each.stop(),
                                        each.visit(),
                                        each.kind(),
                                        each.person(),
                                        each.value(),
                                        each.sd(),
                                        each.kindSd()))
                                .toList()));
        Map<String, Double> years = in.visits().stream().collect(Collectors.toMap(Visit::id, Visit::years));
        Change change = model.change(
                in.from() == null ? Double.NEGATIVE_INFINITY : years.get(in.from()),
                in.to() == null ? Double.POSITIVE_INFINITY : years.get(in.to()));
        Estimate moved = change.estimate();
        return Evaluation.of(id())
                .value("change", moved.value(), Unit.NONE, moved.low(), moved.high())
                .value("probabilityChanged", change.changed(), Unit.NONE)
                .value("probabilityRisen", change.risen(), Unit.NONE)
                .value("probabilityFallen", change.fallen(), Unit.NONE)
                .value("logEvidence", change.logEvidence(), Unit.NONE)
                .value("logEvidenceStill", change.logEvidenceStill(), Unit.NONE)
                .series("events", effects(model))
                .series(
                        "stops",
                        model.stops().stream()
                                .map(each -> row("stop", each.id(), model.stop(each, change.to())))
                                .toList())
                .series(
                        "course",
                        model.visits().stream()
                                .map(each -> row("visit", each.id(), model.course(each)))
                                .toList())
                .series("patches", patches(model))
                .working(
                        "change",
                        Map.of(
                                "readings", in.readings().size(),
                                "degrees", model.degrees(),
                                "sd", moved.sd()),
                        moved.value(),
                        Unit.NONE,
                        "O'Hagan and Forster, 2004")
                .build();
    }

    private static List<Map<String, Object>> effects(FieldModel model) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (EventEffect each : model.effects()) {
            Map<String, Object> row = new LinkedHashMap<>();
            figures(row, each.effect());
            row.put("probabilityRisen", shown(each.risen()));
            row.put("probabilityFallen", shown(each.fallen()));
            rows.add(row);
        }
        return rows;
    }

    private static List<Map<String, Object>> patches(FieldModel model) {
        List<Map<String, Object>> rows = new ArrayList<>();
        model.patches().forEach((patch, effect) -> rows.add(row("patch", patch, effect)));
        return rows;
    }

    private static Map<String, Object> row(String key, String id, Estimate estimate) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put(key, id);
        figures(row, estimate);
        return row;
    }

    private static void figures(Map<String, Object> row, @Nullable Estimate estimate) {
        row.put("value", estimate == null ? null : shown(estimate.value()));
        row.put("low", estimate == null ? null : shown(estimate.low()));
        row.put("high", estimate == null ? null : shown(estimate.high()));
    }

    private static Double shown(double figure) {
        return Numbers.significant(figure, Evaluation.DIGITS);
    }
}
