package org.morphotera.core.day;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.WorkStep;
import org.morphotera.core.result.Evaluation;

/**
 * A day of work as it stands: each field planned around what is done there, one field after the other with the drive
 * between. What is done comes from marks, recorded tests and running clocks. Times are minutes since the day starts.
 */
public final class DayCourse {

    private static final double MS_A_MINUTE = 60_000;
    private static final double MINUTES_A_DAY = 24 * 60;
    /** Stops without a position are taken to lie so far apart, in their order, m. */
    private static final double UNPLACED_M = 100;

    /** A step that is done or under way; {@code mark} is the id of what says so, where a mark does. */
    private record Done(
            String chain,
            int step,
            int person,
            double start,
            double end,
            boolean going,
            @Nullable String mark) {}

    /** A test at a stop. */
    private record Chain(String id, String stop, String method) {}

    private final MethodRegistry methods;
    private final CalculatorRegistry calculators;
    private final Benchmarks benchmarks;
    private final Map<Map<String, Object>, Evaluation> meant;
    private final Map<?, ?> asked;
    private final double zeroMs;
    private final double nowMs;

    private final List<Map<String, Object>> turns = new ArrayList<>();
    private final List<Map<String, Object>> walks = new ArrayList<>();
    private final List<Map<String, Object>> drives = new ArrayList<>();
    private final List<Map<String, Object>> late = new ArrayList<>();
    private double offset;
    private double oneAfterAnother;
    private double walking;
    private boolean proven = true;

    private DayCourse(
            Map<?, ?> asked,
            MethodRegistry methods,
            CalculatorRegistry calculators,
            Benchmarks benchmarks,
            Map<Map<String, Object>, Evaluation> meant) {
        this.meant = meant;
        this.asked = asked;
        this.methods = methods;
        this.calculators = calculators;
        this.benchmarks = benchmarks;
        this.zeroMs = number(asked, "zeroMs", 0);
        this.nowMs = number(asked, "nowMs", 0);
    }

    /**
     * The course of a day.
     *
     * @param asked {@code day} (people, walkMetresPerMinute, fields with stopIds, methods, driveMin), {@code fields} (id,
     *     stops with id, longitude, latitude) in the same order, {@code marks}, {@code made} and {@code timers} as the API
     *     has them, {@code zeroMs} the moment that the day starts and {@code nowMs}, both ms since 1970
     * @param meant days as they were meant before anything happened, by their inputs: looked up and added to
     * @return {@code turns}, {@code walks}, {@code drives}, {@code late}, {@code finish}, {@code oneAfterAnother},
     *     {@code walking}, {@code proven}
     */
    public static Map<String, Object> of(
            Map<?, ?> asked,
            MethodRegistry methods,
            CalculatorRegistry calculators,
            Benchmarks benchmarks,
            Map<Map<String, Object>, Evaluation> meant) {
        return new DayCourse(asked, methods, calculators, benchmarks, meant).course();
    }

    private Map<String, Object> course() {
        Map<?, ?> day = (Map<?, ?>) asked.get("day");
        List<Map<?, ?>> work = rows(day, "fields");
        List<?> fields = (List<?>) asked.get("fields");
        for (int i = 0; i < work.size(); i++) {
            if (i < fields.size() && fields.get(i) instanceof Map<?, ?> field) {
                double drive = i == 0 ? 0 : number(work.get(i), "driveMin", 0);
                if (drive > 0) {
                    drives.add(row("to", field.get("id"), "start", offset, "end", offset + drive));
                }
                offset += drive;
                if (plan(day, work.get(i), field)) {
                    oneAfterAnother += drive;
                }
            }
        }
        turns.sort(Comparator.comparingDouble((Map<String, Object> turn) -> (Double) turn.get("start"))
                .thenComparingInt(turn -> (Integer) turn.get("person")));
        return row(
                "turns", turns,
                "walks", walks,
                "drives", drives,
                "late", late,
                "finish", offset,
                "oneAfterAnother", oneAfterAnother,
                "walking", walking,
                "proven", proven);
    }

    /** @return whether there was anything to plan */
    private boolean plan(Map<?, ?> day, Map<?, ?> work, Map<?, ?> field) {
        List<Map<?, ?>> stops = stops(work, field);
        List<Chain> chains = new ArrayList<>();
        for (Map<?, ?> stop : stops) {
            for (Object method : (List<?>) work.get("methods")) {
                if (methods.has((String) method)) {
                    chains.add(new Chain(chainOf(stop.get("id"), method), (String) stop.get("id"), (String) method));
                }
            }
        }
        if (chains.isEmpty()) {
            return false;
        }
        Map<String, Object> base = row(
                "crew", ((List<?>) day.get("people")).size(),
                "places", places(stops),
                "walkMetresPerMinute", day.get("walkMetresPerMinute"),
                "chains",
                        chains.stream()
                                .map(each -> row("id", each.id(), "place", each.stop(), "method", each.method()))
                                .toList());
        boolean today = nowMs >= zeroMs && nowMs - zeroMs < MINUTES_A_DAY * MS_A_MINUTE;
        double nowMin = today ? Math.max(0, (nowMs - zeroMs) / MS_A_MINUTE - offset) : 0;
        Evaluation fresh = meant.get(base);
        if (fresh == null) {
            fresh = workOut(base);
            meant.put(base, fresh);
        }
        Map<String, Integer> persons = new LinkedHashMap<>();
        if (fresh != null) {
            fresh.series().get("steps").forEach(step -> persons.put(key(step), whole(step, "person")));
        }
        List<Done> done = new ArrayList<>();
        chains.forEach(chain -> done.addAll(done(chain, nowMin, persons)));
        Evaluation planned = fresh;
        if (!done.isEmpty() || nowMin > 0) {
            Map<String, Object> around = new LinkedHashMap<>(base);
            around.put("nowMin", nowMin);
            around.put(
                    "done",
                    done.stream()
                            .map(each -> row(
                                    "chain", each.chain(),
                                    "step", each.step(),
                                    "person", each.person(),
                                    "start", each.start(),
                                    "end", each.end()))
                            .toList());
            planned = workOut(around);
        }
        if (planned == null) {
            return false;
        }
        take(planned, chains, done, (String) field.get("id"));
        return true;
    }

    private void take(Evaluation planned, List<Chain> chains, List<Done> done, String field) {
        Map<String, Done> doneBy = new LinkedHashMap<>();
        done.forEach(each -> doneBy.put(each.chain() + "#" + each.step(), each));
        Map<String, Chain> chainBy = new LinkedHashMap<>();
        chains.forEach(each -> chainBy.put(each.id(), each));
        for (Map<String, Object> step : planned.series().get("steps")) {
            Chain chain = chainBy.get((String) step.get("chain"));
            Done past = doneBy.get(key(step));
            turns.add(row(
                    "chain",
                    chain.id(),
                    "step",
                    whole(step, "step"),
                    "stopId",
                    chain.stop(),
                    "fieldId",
                    field,
                    "method",
                    chain.method(),
                    "person",
                    whole(step, "person"),
                    "start",
                    figure(step, "start") + offset,
                    "end",
                    figure(step, "end") + offset,
                    "done",
                    past != null && !past.going(),
                    "going",
                    past != null && past.going(),
                    "markId",
                    past == null ? null : past.mark()));
        }
        for (Map<String, Object> walk : planned.series().getOrDefault("walks", List.of())) {
            walks.add(row(
                    "person", whole(walk, "person"),
                    "from", walk.get("from"),
                    "to", walk.get("to"),
                    "start", figure(walk, "start") + offset,
                    "end", figure(walk, "end") + offset));
        }
        for (Map<String, Object> each : planned.series().getOrDefault("late", List.of())) {
            late.add(row("chain", each.get("chain"), "step", whole(each, "step"), "byMin", figure(each, "byMin")));
        }
        walking += value(planned, "walkingMin");
        oneAfterAnother += value(planned, "oneAfterAnotherMin");
        proven &= "yes".equals(planned.classes().get("optimal"));
        offset += value(planned, "finishMin");
    }

    /** The steps of a test at a stop that are done or under way, in order: none before the one ahead of it. */
    private List<Done> done(Chain chain, double nowMin, Map<String, Integer> persons) {
        Map<?, ?> made = at(chain, "made");
        Map<?, ?> timer = at(chain, "timers");
        List<WorkStep> steps = WorkStep.of(methods.get(chain.method()).card(), benchmarks);
        List<Done> done = new ArrayList<>();
        for (int step = 0; step < steps.size(); step++) {
            double minutes = steps.get(step).minutes();
            Map<?, ?> mark = mark(chain, step);
            String markId = mark == null ? null : (String) mark.get("id");
            int person = mark == null
                    ? persons.getOrDefault(chain.id() + "#" + step, 0)
                    : ((Number) mark.get("person")).intValue();
            Done next = null;
            if (mark != null && mark.get("endedAt") != null) {
                next = new Done(
                        chain.id(), step, person, minute(mark, "begunAt"), minute(mark, "endedAt"), false, markId);
            } else if (made != null) {
                // what was recorded is done, step by step up to its moment
                double end = minute(made, "takenAt");
                double before = done.isEmpty() ? 0 : done.get(done.size() - 1).end();
                next = new Done(
                        chain.id(), step, person, Math.min(end, Math.max(before, end - minutes)), end, false, markId);
            } else if (mark != null) {
                double start = minute(mark, "begunAt");
                next = new Done(chain.id(), step, person, start, Math.max(nowMin, start + minutes), true, markId);
            } else if (timer != null && step == 0) {
                double start = minute(timer, "startedAt");
                next = new Done(chain.id(), 0, person, start, start + minutes, nowMin < start + minutes, null);
            }
            if (next == null) {
                break;
            }
            done.add(next);
            if (next.going()) {
                break;
            }
        }
        return done;
    }

    private @Nullable Map<?, ?> at(Chain chain, String what) {
        return rows(asked, what).stream()
                .filter(each -> chain.stop().equals(each.get("stopId"))
                        && chain.method().equals(each.get("method")))
                .findFirst()
                .orElse(null);
    }

    private @Nullable Map<?, ?> mark(Chain chain, int step) {
        return rows(asked, "marks").stream()
                .filter(each -> chain.stop().equals(each.get("stopId"))
                        && chain.method().equals(each.get("method"))
                        && ((Number) each.get("step")).intValue() == step)
                .findFirst()
                .orElse(null);
    }

    /** Minutes from the start of the field's own work to a moment; not before it. */
    private double minute(Map<?, ?> tree, String name) {
        double ms = Instant.parse((String) tree.get(name)).toEpochMilli();
        return Math.max(0, (ms - zeroMs) / MS_A_MINUTE - offset);
    }

    private static List<Map<?, ?>> stops(Map<?, ?> work, Map<?, ?> field) {
        List<Map<?, ?>> stops = new ArrayList<>();
        for (Object id : (List<?>) work.get("stopIds")) {
            rows(field, "stops").stream()
                    .filter(stop -> id.equals(stop.get("id")))
                    .findFirst()
                    .ifPresent(stops::add);
        }
        return stops;
    }

    /**
     * Where stops lie, metres east and north of the first that has a position, by the lengths of a degree there (WGS 84):
     * true to centimetres over a farm. Those without a position stand in a row.
     */
    static List<Map<String, Object>> places(List<Map<?, ?>> stops) {
        Map<?, ?> first = stops.stream().filter(DayCourse::isPlaced).findFirst().orElse(Map.of());
        double longitude = number(first, "longitude", 0);
        double latitude = number(first, "latitude", 0);
        double phi = Math.toRadians(latitude);
        double east = Math.max(1e-3, 111_412.84 * Math.cos(phi) - 93.5 * Math.cos(3 * phi) + 0.118 * Math.cos(5 * phi));
        double north = 111_132.954 - 559.822 * Math.cos(2 * phi) + 1.175 * Math.cos(4 * phi);
        List<Map<String, Object>> places = new ArrayList<>();
        for (int i = 0; i < stops.size(); i++) {
            Map<?, ?> stop = stops.get(i);
            boolean placed = isPlaced(stop);
            places.add(row(
                    "id", stop.get("id"),
                    "eastM", placed ? (number(stop, "longitude", 0) - longitude) * east : i * UNPLACED_M,
                    "northM", placed ? (number(stop, "latitude", 0) - latitude) * north : 0.0));
        }
        return places;
    }

    private static boolean isPlaced(Map<?, ?> stop) {
        return stop.get("longitude") != null && stop.get("latitude") != null;
    }

    private static String chainOf(Object stop, Object method) {
        return stop + " " + method;
    }

    private @Nullable Evaluation workOut(Map<String, Object> inputs) {
        Outcome outcome = calculators.evaluate("day-plan", Map.of("inputs", inputs), benchmarks);
        return outcome instanceof Outcome.Evaluated evaluated ? evaluated.evaluation() : null;
    }

    private static String key(Map<String, Object> step) {
        return step.get("chain") + "#" + whole(step, "step");
    }

    private static int whole(Map<String, Object> row, String name) {
        return (int) figure(row, name);
    }

    private static double figure(Map<String, Object> row, String name) {
        Object cell = row.get(name);
        return cell instanceof Evaluation.Value value ? value.value() : ((Number) cell).doubleValue();
    }

    private static double value(Evaluation of, String name) {
        Evaluation.Value value = of.values().get(name);
        return value == null ? 0 : value.value();
    }

    private static double number(Map<?, ?> tree, String name, double otherwise) {
        return tree.get(name) instanceof Number number ? number.doubleValue() : otherwise;
    }

    private static List<Map<?, ?>> rows(Map<?, ?> tree, String name) {
        List<Map<?, ?>> rows = new ArrayList<>();
        if (tree.get(name) instanceof List<?> list) {
            for (Object each : list) {
                rows.add((Map<?, ?>) each);
            }
        }
        return rows;
    }

    private static Map<String, Object> row(Object... namesAndParts) {
        Map<String, Object> row = new LinkedHashMap<>();
        for (int i = 0; i < namesAndParts.length; i += 2) {
            row.put((String) namesAndParts[i], namesAndParts[i + 1]);
        }
        return row;
    }
}
