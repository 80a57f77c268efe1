package org.morphotera.core.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.Solution;
import org.chocosolver.solver.search.strategy.Search;
import org.chocosolver.solver.variables.IntVar;

/** The least lateness and earliest finish of a small day by a constraint solver, in tenths of a minute. */
final class SolverOptimum {

    private static final int LATE_WEIGHT = 10_000;

    record Optimum(double late, double finish) {}

    private record Task(String chain, int step, String place, int minutes, int least, Integer most, int index) {}

    private SolverOptimum() {}

    private static int tenths(Object minutes) {
        return (int) Math.round(((Number) minutes).doubleValue() * 10);
    }

    /**
     * @param late of a plan that is known, minutes: only what is as good or better is looked for
     * @param finish of that plan
     */
    @SuppressWarnings("unchecked")
    static Optimum of(Map<String, Object> day, double late, double finish) {
        int crew = (Integer) day.get("crew");
        int now = tenths(day.getOrDefault("nowMin", 0.0));
        Map<String, Double> east = new java.util.HashMap<>();
        ((List<Map<String, Object>>) day.get("places"))
                .forEach(place -> east.put((String) place.get("id"), (Double) place.get("eastM")));
        east.put("base", 0.0);
        List<Map<String, Object>> done = (List<Map<String, Object>>) day.getOrDefault("done", List.of());
        List<Task> tasks = new ArrayList<>();
        for (Map<String, Object> chain : (List<Map<String, Object>>) day.get("chains")) {
            List<Map<String, Object>> steps = (List<Map<String, Object>>) chain.get("steps");
            for (int s = 0; s < steps.size(); s++) {
                Map<String, Object> step = steps.get(s);
                tasks.add(new Task(
                        (String) chain.get("id"),
                        s,
                        (String) chain.get("place"),
                        tenths(step.get("minutes")),
                        tenths(step.getOrDefault("least", 0.0)),
                        step.get("most") == null ? null : tenths(step.get("most")),
                        tasks.size()));
            }
        }
        int latest = tenths(late) + tenths(finish) + 1;
        Model model = new Model();
        int[] freeAt = new int[crew];
        int[] lastEnd = new int[crew];
        String[] stands = new String[crew];
        java.util.Arrays.fill(stands, "base");
        java.util.Arrays.fill(freeAt, now);
        java.util.Arrays.fill(lastEnd, -1);
        Integer[] doneEnd = new Integer[tasks.size()];
        Integer[] doneStart = new Integer[tasks.size()];
        for (Map<String, Object> row : done) {
            Task task = tasks.stream()
                    .filter(each -> each.chain().equals(row.get("chain")) && each.step() == (Integer) row.get("step"))
                    .findFirst()
                    .orElseThrow();
            doneStart[task.index()] = tenths(row.get("start"));
            doneEnd[task.index()] = tenths(row.get("end"));
            int person = (Integer) row.get("person");
            if (doneEnd[task.index()] > lastEnd[person]) {
                lastEnd[person] = doneEnd[task.index()];
                freeAt[person] = Math.max(now, lastEnd[person]);
                stands[person] = task.place();
            }
        }
        IntVar[] start = new IntVar[tasks.size()];
        IntVar[] person = new IntVar[tasks.size()];
        IntVar end = model.intVar("finish", 0, latest);
        List<IntVar> lates = new ArrayList<>();
        for (Task task : tasks) {
            int i = task.index();
            if (doneEnd[i] != null) {
                start[i] = model.intVar(doneStart[i]);
                model.arithm(end, ">=", doneEnd[i]).post();
            } else {
                start[i] = model.intVar("s" + i, now, latest);
                person[i] = model.intVar("p" + i, 0, crew - 1);
                model.arithm(end, ">=", start[i], "+", task.minutes()).post();
                if (task.step() == 0) {
                    model.arithm(start[i], ">=", task.least()).post();
                }
                for (int p = 0; p < crew; p++) {
                    int reach = freeAt[p] + walk(east, stands[p], task.place());
                    model.ifThen(model.arithm(person[i], "=", p), model.arithm(start[i], ">=", reach));
                }
            }
            if (task.step() > 0) {
                int before = i - 1;
                if (doneEnd[i] == null && doneEnd[before] != null) {
                    model.arithm(start[i], ">=", doneEnd[before] + task.least()).post();
                } else if (doneEnd[i] == null) {
                    model.arithm(
                                    start[i],
                                    ">=",
                                    start[before],
                                    "+",
                                    tasks.get(before).minutes() + task.least())
                            .post();
                }
                if (task.most() != null) {
                    IntVar over = model.intVar("l" + i, 0, latest);
                    int shift = task.most()
                            + (doneEnd[before] != null ? 0 : tasks.get(before).minutes());
                    IntVar from = doneEnd[before] != null ? model.intVar(doneEnd[before]) : start[before];
                    model.scalar(new IntVar[] {over, start[i], from}, new int[] {1, -1, 1}, ">=", -shift)
                            .post();
                    lates.add(over);
                }
            }
        }
        for (Task a : tasks) {
            for (Task b : tasks) {
                if (a.index() < b.index() && doneEnd[a.index()] == null && doneEnd[b.index()] == null) {
                    int walk = walk(east, a.place(), b.place());
                    model.or(
                                    model.arithm(person[a.index()], "!=", person[b.index()]),
                                    model.arithm(start[b.index()], ">=", start[a.index()], "+", a.minutes() + walk),
                                    model.arithm(start[a.index()], ">=", start[b.index()], "+", b.minutes() + walk))
                            .post();
                }
            }
        }
        IntVar lateness = model.intVar("late", 0, latest);
        if (lates.isEmpty()) {
            model.arithm(lateness, "=", 0).post();
        } else {
            model.sum(lates.toArray(IntVar[]::new), "=", lateness).post();
        }
        IntVar cost = model.intVar("cost", 0, tenths(late) * LATE_WEIGHT + tenths(finish));
        model.scalar(new IntVar[] {lateness, end}, new int[] {LATE_WEIGHT, 1}, "=", cost)
                .post();
        List<IntVar> decided = new ArrayList<>();
        java.util.Arrays.stream(person).filter(java.util.Objects::nonNull).forEach(decided::add);
        decided.addAll(java.util.Arrays.asList(start));
        model.getSolver().setSearch(Search.minDomLBSearch(decided.toArray(IntVar[]::new)));
        Solution best = model.getSolver().findOptimalSolution(cost, Model.MINIMIZE);
        return new Optimum(best.getIntVal(lateness) / 10.0, best.getIntVal(end) / 10.0);
    }

    private static int walk(Map<String, Double> east, String from, String to) {
        return (int) Math.round(Math.abs(east.get(from) - east.get(to)) / 6);
    }
}
