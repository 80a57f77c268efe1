package org.morphotera.core.simulate;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.limits.Sightings;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.text.Messages;

/** Holds the evidence engine against soils whose constraints are known. */
public final class LimitsTrial {

    private static final int STOPS = 4;
    private static final int BINS = 10;
    private static final double SURE_OF = 0.9;

    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final EvidenceTables tables;

    /** @param tables the evidence that is put on trial */
    public LimitsTrial(MethodRegistry methods, Benchmarks benchmarks, Messages messages, EvidenceTables tables) {
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.tables = tables;
    }

    /**
     * What came of it.
     *
     * @param trueFirst share of soils with constraints whose most severe one is named first
     * @param oneOfTrue share of them where any true one is named first
     * @param falseAlarm share of sound soils in which some constraint is named
     * @param brier mean squared error of all probabilities
     * @param calibration for each tenth of probability: how many, mean probability, share that was true
     */
    public record Result(
            int soils, double trueFirst, double oneOfTrue, double falseAlarm, double brier, List<Bin> calibration) {}

    /** One tenth of probability: how many said so, what they said on average, and how often it was true, both 0..1. */
    public record Bin(int count, double meanProbability, double shareTrue) {}

    /** Minutes of work until the most severe constraint is named and nothing else is in doubt, two ways of choosing. */
    public record Minutes(double byNextBest, double byFixedOrder, int soils) {}

    private SimulatedVisit visit(SimulatedSoil soil, Random random) {
        return new SimulatedVisit(soil, random, methods, benchmarks, messages);
    }

    /** Draws soils, makes a set of tests on each, and compares what is named with what is there. */
    public Result run(int soils, List<String> tests, long seed) {
        Random random = new Random(seed);
        int limited = 0;
        int first = 0;
        int any = 0;
        int sound = 0;
        int alarms = 0;
        double squares = 0;
        int[] counts = new int[BINS];
        double[] sums = new double[BINS];
        int[] hits = new int[BINS];
        for (int i = 0; i < soils; i++) {
            SimulatedSoil soil = SimulatedSoil.draw(random);
            SimulatedVisit visit = visit(soil, random);
            List<Sighting> seen = new ArrayList<>(visit.looked());
            tests.forEach(test -> seen.addAll(visit.test(test, test.equals("lab-result") ? 1 : STOPS)));
            List<Limits.Belief> beliefs = Limits.of(Sightings.findings(seen, tables), soil.landUse(), tables);
            Limits.Belief top = beliefs.get(0);
            if (soil.truth().isEmpty()) {
                sound++;
                alarms += top.named() ? 1 : 0;
            } else {
                limited++;
                any += top.named() && soil.truth().containsKey(top.constraint()) ? 1 : 0;
                first += top.named() && top.constraint() == mostSevere(soil) ? 1 : 0;
            }
            for (Limits.Belief belief : beliefs) {
                double p = belief.probability();
                boolean there = soil.truth().containsKey(belief.constraint());
                squares += Math.pow(p - (there ? 1 : 0), 2);
                int bin = Math.min(BINS - 1, (int) (p * BINS));
                counts[bin]++;
                sums[bin] += p;
                hits[bin] += there ? 1 : 0;
            }
        }
        List<Bin> bins = new ArrayList<>();
        for (int b = 0; b < BINS; b++) {
            bins.add(
                    counts[b] == 0
                            ? new Bin(0, 0, 0)
                            : new Bin(counts[b], sums[b] / counts[b], (double) hits[b] / counts[b]));
        }
        return new Result(
                soils,
                (double) first / limited,
                (double) any / limited,
                (double) alarms / sound,
                squares / soils / Constraint.values().length,
                bins);
    }

    private static Constraint mostSevere(SimulatedSoil soil) {
        return soil.truth().entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .orElseThrow()
                .getKey();
    }

    /** The same soils twice: tests by what tells most for its minutes, and in the fixed order of the walk. */
    public Minutes minutes(int soils, long seed) {
        double best = 0;
        double fixed = 0;
        int counted = 0;
        for (int i = 0; i < soils; i++) {
            Random draw = new Random(seed + i);
            SimulatedSoil soil = SimulatedSoil.draw(draw);
            if (!soil.truth().isEmpty()) {
                counted++;
                best += minutesUntilSure(soil, new Random(seed + i), true);
                fixed += minutesUntilSure(soil, new Random(seed + i), false);
            }
        }
        return new Minutes(best / counted, fixed / counted, counted);
    }

    private int minutesUntilSure(SimulatedSoil soil, Random random, boolean nextBest) {
        SimulatedVisit visit = visit(soil, random);
        Set<String> left = new LinkedHashSet<>(SimulatedVisit.FULL_SET);
        List<Sighting> seen = new ArrayList<>(visit.looked());
        int minutes = 0;
        while (!left.isEmpty()) {
            Map<String, String> findings = Sightings.findings(seen, tables);
            Limits.Belief top = Limits.of(findings, soil.landUse(), tables).get(0);
            if (top.probability() >= SURE_OF && soil.truth().containsKey(top.constraint())) {
                return minutes;
            }
            String test = left.iterator().next();
            if (nextBest) {
                Map<String, Integer> work = new LinkedHashMap<>();
                left.forEach(each -> work.put(each, workOf(each)));
                List<NextTest.Offer> offers = NextTest.ranked(findings, work, soil.landUse(), tables);
                test = offers.isEmpty() ? test : offers.get(0).method();
            }
            left.remove(test);
            minutes += workOf(test) * (test.equals("lab-result") ? 1 : STOPS);
            seen.addAll(visit.test(test, test.equals("lab-result") ? 1 : STOPS));
        }
        return minutes;
    }

    private int workOf(String method) {
        return methods.get(method).card().handsOnMinutes();
    }
}
