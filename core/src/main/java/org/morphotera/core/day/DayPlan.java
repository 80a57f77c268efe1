package org.morphotera.core.day;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.WorkStep;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/**
 * Who does which test where and when: each test is a chain of steps at one place with waits between them; a crew of one
 * to four walks between the places. Sought is the least lateness of waits, then the earliest finish. Up to seven open
 * steps the answer is proven the best; beyond that it is searched for, and held against a bound that no plan beats.
 */
public final class DayPlan implements Calculator<DayPlan.Inputs> {

    /** A point on the ground, in metres east and north of any origin. */
    record Spot(Double eastM, Double northM) {}

    record Place(String id, Double eastM, Double northM) {

        Spot spot() {
            return new Spot(eastM, northM);
        }
    }

    /** {@code least} and {@code most}: the wait since the end of the step before, min; {@code null} for none. */
    record Step(String code, Double minutes, Double least, Double most) {}

    record Chain(String id, String place, List<Step> steps, String method) {}

    /** A step that was done; {@code step} and {@code person} count from 0. */
    record Done(String chain, Integer step, Integer person, Double start, Double end) {}

    record Inputs(
            Integer crewOrNull,
            List<Place> places,
            Spot base,
            Double walkMetresPerMinute,
            List<Chain> chains,
            Double nowMin,
            List<Done> doneOrNull) {

        int crew() {
            return crewOrNull == null ? 1 : crewOrNull;
        }

        List<Done> done() {
            return doneOrNull == null ? List.of() : doneOrNull;
        }

        /** The base; the first place where none is given. */
        Spot start() {
            return base != null ? base : places.get(0).spot();
        }

        int placeIndex(String id) {
            for (int i = 0; i < places.size(); i++) {
                if (places.get(i).id().equals(id)) {
                    return i;
                }
            }
            return -1;
        }

        int chainIndex(String id) {
            for (int i = 0; i < chains.size(); i++) {
                if (chains.get(i).id().equals(id)) {
                    return i;
                }
            }
            return -1;
        }
    }

    private static final int MOST_CREW = 4;
    private static final Range METRES = Range.between(-1_000_000, 1_000_000);
    private static final Range WAIT = Range.between(0, 10_000);
    private static final Range MINUTE = Range.between(0, 100_000);
    private static final int ID_LENGTH = 100;

    private final MethodRegistry methods;

    /** @param methods whose work steps chains may name */
    public DayPlan(MethodRegistry methods) {
        this.methods = methods;
    }

    @Override
    public String id() {
        return "day-plan";
    }

    @Override
    public Inputs read(Fields fields) {
        Integer crew = fields.count("crew", Range.between(1, MOST_CREW), Need.OPTIONAL);
        fields.preset("crew", 1);
        return new Inputs(
                crew,
                fields.list(
                        "places",
                        Range.between(1, 40),
                        Need.REQUIRED,
                        place -> new Place(
                                place.text("id", ID_LENGTH, Need.REQUIRED),
                                place.number("eastM", Unit.METRE, METRES, Need.REQUIRED),
                                place.number("northM", Unit.METRE, METRES, Need.REQUIRED))),
                fields.group(
                        "base",
                        Need.OPTIONAL,
                        base -> new Spot(
                                base.number("eastM", Unit.METRE, METRES, Need.REQUIRED),
                                base.number("northM", Unit.METRE, METRES, Need.REQUIRED))),
                fields.numberOr("walkMetresPerMinute", Unit.METRE, Range.between(1, 1000), 60),
                fields.list("chains", Range.between(1, 400), Need.REQUIRED, DayPlan::chain),
                fields.numberOr("nowMin", Unit.MINUTE, MINUTE, 0),
                fields.list(
                        "done",
                        Range.between(0, 3200),
                        Need.OPTIONAL,
                        done -> new Done(
                                done.text("chain", ID_LENGTH, Need.REQUIRED),
                                done.count("step", Range.between(0, 7), Need.REQUIRED),
                                done.count("person", Range.between(0, MOST_CREW - 1), Need.REQUIRED),
                                done.number("start", Unit.MINUTE, MINUTE, Need.REQUIRED),
                                done.number("end", Unit.MINUTE, MINUTE, Need.REQUIRED))));
    }

    private static Chain chain(Fields fields) {
        return new Chain(
                fields.text("id", ID_LENGTH, Need.REQUIRED),
                fields.text("place", ID_LENGTH, Need.REQUIRED),
                fields.list(
                        "steps",
                        Range.between(1, 8),
                        Need.OPTIONAL,
                        step -> new Step(
                                step.text("code", ID_LENGTH, Need.REQUIRED),
                                step.number("minutes", Unit.MINUTE, Range.between(0.5, 480), Need.REQUIRED),
                                step.number("least", Unit.MINUTE, WAIT, Need.OPTIONAL),
                                step.number("most", Unit.MINUTE, WAIT, Need.OPTIONAL))),
                fields.text("method", ID_LENGTH, Need.OPTIONAL));
    }

    @Override
    public void check(Inputs in, Benchmarks benchmarks, Faults faults) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < in.places().size(); i++) {
            if (!seen.add(in.places().get(i).id())) {
                faults.add(
                        "places[" + i + "].id",
                        "TWICE",
                        Map.of("given", in.places().get(i).id()));
            }
        }
        Set<String> chains = new HashSet<>();
        for (int i = 0; i < in.chains().size(); i++) {
            checkChain(in, i, chains, faults);
        }
        if (faults.isEmpty()) {
            checkDone(in, benchmarks, faults);
        }
    }

    private void checkChain(Inputs in, int i, Set<String> seen, Faults faults) {
        Chain chain = in.chains().get(i);
        String at = "chains[" + i + "]";
        if (!seen.add(chain.id())) {
            faults.add(at + ".id", "TWICE", Map.of("given", chain.id()));
        }
        if (in.placeIndex(chain.place()) < 0) {
            faults.add(at + ".place", "NO_SUCH_PLACE", Map.of("given", chain.place()));
        }
        if ((chain.steps() == null) == (chain.method() == null)) {
            faults.add(at + (chain.steps() == null ? ".steps" : ".method"), "STEPS_OR_METHOD");
        } else if (chain.method() != null && !methods.has(chain.method())) {
            faults.add(at + ".method", "NO_SUCH_METHOD", Map.of("given", chain.method()));
        } else if (chain.steps() != null) {
            for (int j = 0; j < chain.steps().size(); j++) {
                Step step = chain.steps().get(j);
                if (j == 0 && step.most() != null) {
                    faults.add(at + ".steps[0].most", "NO_MOST_AT_FIRST");
                } else if (step.most() != null && step.most() < (step.least() == null ? 0 : step.least())) {
                    faults.add(at + ".steps[" + j + "].most", "MOST_UNDER_LEAST", Map.of("least", step.least()));
                }
            }
        }
    }

    private void checkDone(Inputs in, Benchmarks benchmarks, Faults faults) {
        int[] next = new int[in.chains().size()];
        for (int i = 0; i < in.done().size(); i++) {
            Done done = in.done().get(i);
            String at = "done[" + i + "]";
            int chain = in.chainIndex(done.chain());
            if (chain < 0) {
                faults.add(at + ".chain", "NO_SUCH_CHAIN", Map.of("given", done.chain()));
                continue;
            }
            int steps = work(in.chains().get(chain), benchmarks).size();
            if (done.step() != next[chain] || done.step() >= steps) {
                faults.add(at + ".step", "OUT_OF_ORDER", Map.of("next", next[chain]));
            } else {
                next[chain]++;
            }
            if (done.person() >= in.crew()) {
                faults.add(at + ".person", "NO_SUCH_PERSON", Map.of("crew", in.crew()));
            }
            if (done.end() < done.start()) {
                faults.add(at + ".end", "ENDS_BEFORE_START");
            }
        }
    }

    @Override
    @SuppressWarnings("unchecked")
    public void makeSound(Map<String, Object> tree, Random random) {
        List<Map<String, Object>> places = (List<Map<String, Object>>) tree.get("places");
        for (int i = 0; i < places.size(); i++) {
            places.get(i).put("id", "p" + i);
        }
        List<Map<String, Object>> chains = (List<Map<String, Object>>) tree.get("chains");
        for (int i = 0; i < chains.size(); i++) {
            Map<String, Object> chain = chains.get(i);
            chain.put("id", "c" + i);
            chain.put("place", "p" + random.nextInt(places.size()));
            chain.remove("method");
            if (random.nextBoolean() || chain.get("steps") == null) {
                chain.remove("steps");
                List<String> known =
                        methods.all().stream().map(each -> each.card().id()).toList();
                chain.put("method", known.get(random.nextInt(known.size())));
            } else {
                makeWaitsSound((List<Map<String, Object>>) chain.get("steps"));
            }
        }
        tree.remove("done");
    }

    private static void makeWaitsSound(List<Map<String, Object>> steps) {
        steps.get(0).remove("most");
        for (Map<String, Object> step : steps) {
            double least = step.get("least") instanceof Double given ? given : 0;
            step.computeIfPresent("most", (name, most) -> Math.max((Double) most, least));
        }
    }

    private List<Step> work(Chain chain, Benchmarks benchmarks) {
        if (chain.steps() != null) {
            return chain.steps();
        }
        List<Step> steps = new ArrayList<>();
        for (WorkStep step : WorkStep.of(methods.get(chain.method()).card(), benchmarks)) {
            boolean leads = steps.isEmpty();
            steps.add(new Step(
                    step.code(),
                    step.minutes(),
                    leads ? null : Double.valueOf(step.leastWaitMin()),
                    leads ? null : Double.valueOf(step.mostWaitMin())));
        }
        return steps;
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        List<List<Step>> work =
                in.chains().stream().map(each -> work(each, benchmarks)).toList();
        DayProblem day = new DayProblem(in, work);
        boolean proven = day.openSteps() <= ExactSearch.MOST_STEPS;
        Schedule plan = proven ? new ExactSearch(day).best() : new LocalSearch(day).best();
        double bound = day.lowerBound();
        boolean atBound = plan.late() <= day.doneLate + Schedule.SAME && plan.finish() <= bound + Schedule.SAME;
        List<Map<String, Object>> walks = walks(in, day, plan);
        double walking = 0;
        for (Map<String, Object> walk : walks) {
            walking += (Double) walk.get("end") - (Double) walk.get("start");
        }
        double oneAfterAnother = day.oneAfterAnother();
        Evaluation.Builder out = Evaluation.of(id())
                .value("finishMin", plan.finish(), Unit.MINUTE)
                .value("handsOnMin", day.handsOn(), Unit.MINUTE)
                .value("walkingMin", walking, Unit.MINUTE)
                .value("oneAfterAnotherMin", oneAfterAnother, Unit.MINUTE)
                .value("lowerBoundMin", bound, Unit.MINUTE)
                .value("lateMin", plan.late(), Unit.MINUTE)
                .code("optimal", proven || atBound ? "yes" : "unknown")
                .series("steps", steps(in, work, day, plan))
                .series("walks", walks)
                .series("late", late(in, day, plan));
        if (plan.late() > Schedule.SAME) {
            out.note("WAITS_OVERRUN", Severity.CAUTION, Map.of("minutes", plan.late()));
        }
        return out.working(
                        "lowerBoundMin",
                        Map.of("hands", day.handsOn(), "crew", in.crew()),
                        bound,
                        Unit.MINUTE,
                        "No plan can be shorter")
                .working(
                        "oneAfterAnotherMin",
                        Map.of("hands", day.handsOn()),
                        oneAfterAnother,
                        Unit.MINUTE,
                        "One person, place by place")
                .build();
    }

    private static List<Map<String, Object>> steps(Inputs in, List<List<Step>> work, DayProblem day, Schedule plan) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (int s : inOrder(day, plan)) {
            int c = day.chainOf[s];
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("chain", in.chains().get(c).id());
            row.put("step", (double) (s - day.first[c]));
            row.put("code", work.get(c).get(s - day.first[c]).code());
            row.put("place", in.chains().get(c).place());
            row.put("person", (double) plan.person()[s]);
            row.put("start", plan.start()[s]);
            row.put("end", end(day, plan, s));
            rows.add(row);
        }
        return rows;
    }

    private static double end(DayProblem day, Schedule plan, int s) {
        return day.donePerson[s] >= 0 ? day.doneEnd[s] : plan.start()[s] + day.minutes[s];
    }

    private static List<Integer> inOrder(DayProblem day, Schedule plan) {
        List<Integer> order = new ArrayList<>();
        for (int s = 0; s < day.steps; s++) {
            order.add(s);
        }
        order.sort(Comparator.<Integer>comparingDouble(s -> plan.start()[s])
                .thenComparingInt(s -> plan.person()[s])
                .thenComparingInt(s -> s));
        return order;
    }

    /** Walks that are still to come; waiting is at the place that is walked to. */
    private static List<Map<String, Object>> walks(Inputs in, DayProblem day, Schedule plan) {
        int[] place = new int[day.crew];
        double[] free = new double[day.crew];
        for (int p = 0; p < day.crew; p++) {
            place[p] = day.standing[p].place();
            free[p] = day.standing[p].from();
        }
        List<Map<String, Object>> walks = new ArrayList<>();
        for (int s : inOrder(day, plan)) {
            if (day.donePerson[s] >= 0) {
                continue;
            }
            int p = plan.person()[s];
            int to = day.place[day.chainOf[s]];
            double minutes = day.walk[place[p]][to];
            if (minutes > 0) {
                Map<String, Object> walk = new LinkedHashMap<>();
                walk.put("person", (double) p);
                walk.put(
                        "from",
                        place[p] == day.base
                                ? "base"
                                : in.places().get(place[p]).id());
                walk.put("to", in.places().get(to).id());
                walk.put("start", free[p]);
                walk.put("end", free[p] + minutes);
                walks.add(walk);
            }
            place[p] = to;
            free[p] = end(day, plan, s);
        }
        return walks;
    }

    private static List<Map<String, Object>> late(Inputs in, DayProblem day, Schedule plan) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (int s = 0; s < day.steps; s++) {
            int c = day.chainOf[s];
            double over = s == day.first[c] ? 0 : plan.start()[s] - end(day, plan, s - 1) - day.most[s];
            if (over > Schedule.SAME) {
                Map<String, Object> row = new LinkedHashMap<>();
                row.put("chain", in.chains().get(c).id());
                row.put("step", (double) (s - day.first[c]));
                row.put("byMin", over);
                rows.add(row);
            }
        }
        return rows;
    }
}
