package org.morphotera.core.day;

import java.util.List;

/**
 * A day in plain arrays, as the searches read it. Times are minutes since the crew stood at the base; places are
 * numbered, the base comes last; steps are numbered chain by chain.
 */
final class DayProblem {

    /** What a person has yet to come from: a place, free from a minute on. */
    record Standing(int place, double from) {}

    final int crew;
    final int base;
    final double[][] walk;
    final double now;

    final int chains;
    /** First step of each chain; one more entry ends the last. */
    final int[] first;
    /** First step of each chain that is not done. */
    final int[] open;

    final int[] place;

    final int steps;
    final int[] chainOf;
    final double[] minutes;
    final double[] least;
    /** Positive infinity where there is no most. */
    final double[] most;

    /** Of done steps; −1 for open ones. */
    final int[] donePerson;

    final double[] doneStart;
    final double[] doneEnd;
    final Standing[] standing;

    /** Lateness that done steps already have, and the end of the last of them. */
    final double doneLate;

    final double doneUntil;

    DayProblem(DayPlan.Inputs in, List<List<DayPlan.Step>> work) {
        crew = in.crew();
        base = in.places().size();
        walk = walks(in);
        now = in.nowMin();
        chains = work.size();
        first = new int[chains + 1];
        open = new int[chains];
        place = new int[chains];
        for (int c = 0; c < chains; c++) {
            first[c + 1] = first[c] + work.get(c).size();
            open[c] = first[c];
            place[c] = in.placeIndex(in.chains().get(c).place());
        }
        steps = first[chains];
        chainOf = new int[steps];
        minutes = new double[steps];
        least = new double[steps];
        most = new double[steps];
        donePerson = new int[steps];
        doneStart = new double[steps];
        doneEnd = new double[steps];
        for (int c = 0; c < chains; c++) {
            for (int s = first[c]; s < first[c + 1]; s++) {
                DayPlan.Step step = work.get(c).get(s - first[c]);
                chainOf[s] = c;
                minutes[s] = step.minutes();
                least[s] = step.least() == null ? 0 : step.least();
                most[s] = step.most() == null ? Double.POSITIVE_INFINITY : step.most();
                donePerson[s] = -1;
            }
        }
        standing = new Standing[crew];
        double[] last = new double[crew];
        for (int p = 0; p < crew; p++) {
            standing[p] = new Standing(base, now);
            last[p] = Double.NEGATIVE_INFINITY;
        }
        double until = 0;
        for (DayPlan.Done done : in.done()) {
            int c = in.chainIndex(done.chain());
            int s = first[c] + done.step();
            donePerson[s] = done.person();
            doneStart[s] = done.start();
            doneEnd[s] = done.end();
            open[c] = Math.max(open[c], s + 1);
            until = Math.max(until, done.end());
            if (done.end() > last[done.person()]) {
                last[done.person()] = done.end();
                standing[done.person()] = new Standing(place[c], Math.max(now, done.end()));
            }
        }
        doneUntil = until;
        double late = 0;
        for (int s = 0; s < steps; s++) {
            late += donePerson[s] < 0 ? 0 : lateOfDone(s);
        }
        doneLate = late;
    }

    private double lateOfDone(int s) {
        return s == first[chainOf[s]] ? 0 : Math.max(0, doneStart[s] - doneEnd[s - 1] - most[s]);
    }

    private static double[][] walks(DayPlan.Inputs in) {
        int n = in.places().size() + 1;
        double[][] walk = new double[n][n];
        for (int a = 0; a < n; a++) {
            for (int b = 0; b < n; b++) {
                DayPlan.Spot from = a < n - 1 ? in.places().get(a).spot() : in.start();
                DayPlan.Spot to = b < n - 1 ? in.places().get(b).spot() : in.start();
                double east = from.eastM() - to.eastM();
                double north = from.northM() - to.northM();
                // a root of a sum is the same to the last digit everywhere, a hypotenuse is not
                walk[a][b] = Math.sqrt(east * east + north * north) / in.walkMetresPerMinute();
            }
        }
        return walk;
    }

    int openSteps() {
        int count = 0;
        for (int c = 0; c < chains; c++) {
            count += first[c + 1] - open[c];
        }
        return count;
    }

    /** The earliest minute of a chain's first open step, whoever does it. */
    double ready(int chain) {
        int s = open[chain];
        double after = s == first[chain] ? least[s] : doneEnd[s - 1] + least[s];
        return Math.max(now, after);
    }

    /** The latest minute of a chain's first open step that is not late. */
    double due(int chain) {
        int s = open[chain];
        return s == first[chain] ? Double.POSITIVE_INFINITY : doneEnd[s - 1] + most[s];
    }

    double handsOn() {
        double sum = 0;
        for (double each : minutes) {
            sum += each;
        }
        return sum;
    }

    /** Minutes and least waits of a chain; without the wait before its first step. */
    double span(int chain) {
        double sum = 0;
        for (int s = first[chain]; s < first[chain + 1]; s++) {
            sum += minutes[s] + (s == first[chain] ? 0 : least[s]);
        }
        return sum;
    }

    /**
     * No plan of the fresh day ends earlier: the longest of walk from the base (or first least) and chain, and the work
     * with the smallest tree of walks shared among the crew.
     */
    double lowerBound() {
        double longest = 0;
        for (int c = 0; c < chains; c++) {
            longest = Math.max(longest, Math.max(walk[base][place[c]], least[first[c]]) + span(c));
        }
        return Math.max(longest, (handsOn() + smallestTree()) / crew);
    }

    /** Length in minutes of the smallest tree that joins the base and every place with work (Prim, 1957). */
    private double smallestTree() {
        boolean[] wanted = new boolean[base + 1];
        for (int c = 0; c < chains; c++) {
            wanted[place[c]] = true;
        }
        double[] near = walk[base].clone();
        double sum = 0;
        while (true) {
            int next = -1;
            for (int p = 0; p < base; p++) {
                if (wanted[p] && (next < 0 || near[p] < near[next])) {
                    next = p;
                }
            }
            if (next < 0) {
                return sum;
            }
            sum += near[next];
            wanted[next] = false;
            for (int p = 0; p < base; p++) {
                near[p] = Math.min(near[p], walk[next][p]);
            }
        }
    }

    /** One person, places in the given order, each chain finished with its least waits before the next. */
    double oneAfterAnother() {
        double at = 0;
        int here = base;
        for (int p = 0; p < base; p++) {
            for (int c = 0; c < chains; c++) {
                if (place[c] == p) {
                    at = Math.max(at + walk[here][p], least[first[c]]) + span(c);
                    here = p;
                }
            }
        }
        return at;
    }
}
