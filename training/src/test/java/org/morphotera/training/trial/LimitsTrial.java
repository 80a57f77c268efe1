package org.morphotera.training.trial;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.training.ground.SoilProperty;
import org.morphotera.training.simulate.SimulatedSoil;

/** Holds the evidence engine against fields whose constraints are known. */
final class LimitsTrial {

    private static final int TENTHS = 10;
    private static final double SURE_OF = 0.9;
    private static final double SOUR_SUBSOIL = 5.5;

    private final MethodRegistry methods = Methods.all();

    /**
     * What came of it.
     *
     * @param severest share of limited fields whose most severe constraint is named first
     * @param aTrueOne share of them where any true one is named first
     * @param ofSeeable the same, of those fields where a limit is there that the set of tests speaks of at all
     * @param falseAlarm share of sound fields in which some constraint is named
     * @param tooFast share of the fields that don't drain too fast of which it is said
     * @param brier mean squared error of all probabilities
     * @param tenths for each tenth of probability: how many, mean probability, share that was true
     */
    record Result(
            int fields,
            double severest,
            double aTrueOne,
            double ofSeeable,
            double falseAlarm,
            double tooFast,
            double brier,
            List<Tenth> tenths,
            Map<Constraint, int[]> byConstraint) {}

    /** One tenth of probability: how many said so, what they said on average, and how often it was true, both 0..1. */
    record Tenth(int count, double said, double found) {}

    /** Minutes of work until the most severe constraint is named and nothing else is in doubt, two ways of choosing. */
    record Minutes(double byNextBest, double byFixedOrder, int fields) {}

    /** Draws fields, makes a set of tests on each, and compares what is named with what is there. */
    Result run(int fields, List<String> tests, long seed) {
        Random random = new Random(seed);
        int limited = 0;
        int first = 0;
        int any = 0;
        int seeable = 0;
        int sound = 0;
        int alarms = 0;
        int slow = 0;
        int calledFast = 0;
        double squares = 0;
        int[] counts = new int[TENTHS];
        double[] sums = new double[TENTHS];
        int[] hits = new int[TENTHS];
        Map<Constraint, int[]> byConstraint = new EnumMap<>(Constraint.class);
        for (int i = 0; i < fields; i++) {
            SimulatedSoil soil = SimulatedSoil.draw(random);
            AdvisorsVisit visit = new AdvisorsVisit(soil, random, methods);
            tests.forEach(visit::test);
            List<Limits.Belief> beliefs = Limits.of(visit.findings(), CoreData.EVIDENCE);
            Limits.Belief top = beliefs.get(0);
            boolean right = top.named() && truth(soil).containsKey(top.constraint());
            if (truth(soil).isEmpty()) {
                sound++;
                alarms += top.named() ? 1 : 0;
            } else {
                limited++;
                seeable += truth(soil).keySet().stream().anyMatch(each -> speaksOf(tests, each)) ? 1 : 0;
                any += right ? 1 : 0;
                first += right && top.constraint() == mostSevere(soil) ? 1 : 0;
            }
            for (Limits.Belief belief : beliefs) {
                double p = belief.probability();
                boolean there = truth(soil).containsKey(belief.constraint());
                int[] own = byConstraint.computeIfAbsent(belief.constraint(), key -> new int[4]);
                own[there ? belief.named() ? 0 : 1 : belief.named() ? 2 : 3]++;
                if (belief.constraint() == Constraint.OVER_RAPID_DRAINAGE && !there) {
                    slow++;
                    calledFast += belief.named() ? 1 : 0;
                }
                squares += Math.pow(p - (there ? 1 : 0), 2);
                int tenth = Math.min(TENTHS - 1, (int) (p * TENTHS));
                counts[tenth]++;
                sums[tenth] += p;
                hits[tenth] += there ? 1 : 0;
            }
        }
        List<Tenth> tenths = new ArrayList<>();
        for (int b = 0; b < TENTHS; b++) {
            tenths.add(
                    counts[b] == 0
                            ? new Tenth(0, 0, 0)
                            : new Tenth(counts[b], sums[b] / counts[b], (double) hits[b] / counts[b]));
        }
        return new Result(
                fields,
                (double) first / limited,
                (double) any / limited,
                (double) any / seeable,
                (double) alarms / sound,
                (double) calledFast / slow,
                squares / fields / Constraint.values().length,
                tenths,
                byConstraint);
    }

    /** What is there: as it was drawn, and a sour subsoil wherever the subsoil is sour, under a sour top too. */
    private static Map<Constraint, Double> truth(SimulatedSoil soil) {
        Map<Constraint, Double> truth = new EnumMap<>(Constraint.class);
        truth.putAll(soil.truth());
        if (soil.get(SoilProperty.DEEP_PH) < SOUR_SUBSOIL) {
            truth.putIfAbsent(Constraint.SUBSURFACE_ACIDITY, 0.0);
        }
        return truth;
    }

    /** Whether a set could name a constraint if all it finds speaks for it; worms alone can't. */
    private static boolean speaksOf(List<String> tests, Constraint constraint) {
        Map<String, Found> all = new LinkedHashMap<>();
        CoreData.EVIDENCE.kinds().stream()
                .filter(kind -> tests.contains(kind.method()) || kind.method().equals("observation"))
                .filter(kind -> CoreData.EVIDENCE.row(constraint, kind.id()) != null)
                .forEach(kind -> {
                    var row = CoreData.EVIDENCE.row(constraint, kind.id());
                    all.put(
                            kind.id(),
                            Found.whole(kind.states().stream()
                                    .filter(state ->
                                            !state.equals("none") || !kind.id().equals("worms"))
                                    .max(Comparator.comparingDouble(
                                            state -> row.present().get(state)
                                                    / row.absent().get(state)))
                                    .orElseThrow()));
                });
        return Limits.of(all, null, CoreData.EVIDENCE).stream()
                .anyMatch(each -> each.constraint() == constraint && each.named());
    }

    private static Constraint mostSevere(SimulatedSoil soil) {
        return truth(soil).entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .orElseThrow()
                .getKey();
    }

    /** The same fields twice: tests by what tells most for its minutes, and in the fixed order of the walk. */
    Minutes minutes(int fields, long seed) {
        double best = 0;
        double fixed = 0;
        int counted = 0;
        for (int i = 0; i < fields; i++) {
            SimulatedSoil soil = SimulatedSoil.draw(new Random(seed + i));
            if (!truth(soil).isEmpty()) {
                counted++;
                best += minutesUntilSure(soil, new Random(seed + i), true);
                fixed += minutesUntilSure(soil, new Random(seed + i), false);
            }
        }
        return new Minutes(best / counted, fixed / counted, counted);
    }

    private int minutesUntilSure(SimulatedSoil soil, Random random, boolean nextBest) {
        AdvisorsVisit visit = new AdvisorsVisit(soil, random, methods);
        Set<String> left = new LinkedHashSet<>(TestSets.FULL);
        int minutes = 0;
        while (!left.isEmpty()) {
            StopFindings findings = visit.findings();
            Limits.Belief top = Limits.of(findings, CoreData.EVIDENCE).get(0);
            if (top.probability() >= SURE_OF && truth(soil).containsKey(top.constraint())) {
                return minutes;
            }
            String test = left.iterator().next();
            if (nextBest) {
                Map<String, Integer> work = new LinkedHashMap<>();
                left.forEach(each -> work.put(each, workOf(each)));
                List<NextTest.Offer> offers =
                        NextTest.ranked(findings.field(), work, soil.landUse(), CoreData.EVIDENCE);
                test = offers.isEmpty() ? test : offers.get(0).method();
            }
            left.remove(test);
            minutes += workOf(test) * (test.equals("lab-result") ? 1 : AdvisorsVisit.STOPS);
            visit.test(test);
        }
        return minutes;
    }

    private int workOf(String method) {
        return methods.get(method).card().handsOnMinutes();
    }
}
