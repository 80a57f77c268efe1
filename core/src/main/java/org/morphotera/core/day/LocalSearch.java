package org.morphotera.core.day;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.rng.UniformRandomProvider;
import org.apache.commons.rng.core.source32.XoShiRo128PlusPlus;

/**
 * A good plan of many steps: rounds of the places, cut into shares of equal work, packed, and then bettered by changes
 * of order and person that are kept while they worsen it by less than a falling threshold (Dueck and Scheuer, 1990). The work is bounded by
 * counting, not by a clock, the chance is seeded, and nothing but sums and comparisons decides: the same day gives the same
 * plan on every machine.
 */
final class LocalSearch {

    /** Looks into persons' days for one plan: well under a second in a page. */
    private static final int MOST_LOOKS = 6_000_000;

    /** … or so many for each open step, where that is less. */
    private static final int LOOKS_A_STEP = 60_000;

    private static final int[] SEED = {20_261, 126, 7, 40};

    private static final int FEWEST_TRIES = 40;
    private static final double LATE_WEIGHT = 1000;
    /** How much the mean end of the persons' days counts beside the last: without it most changes look alike. */
    private static final double MEAN_WEIGHT = 1;

    /** So many turns apart, changes of order are tried most. */
    private static final int NEAR = 8;

    private static final double HOT = 0.001;
    private static final double COLD = 0.0001;

    private final DayProblem day;
    private final Packer packer;
    private final double bound;
    private final int mostLooks;
    private final UniformRandomProvider random = new XoShiRo128PlusPlus(SEED);

    private Schedule best;

    LocalSearch(DayProblem day) {
        this.day = day;
        this.packer = new Packer(day);
        this.bound = day.lowerBound();
        this.mostLooks = Math.min(MOST_LOOKS, LOOKS_A_STEP * day.openSteps());
    }

    Schedule best() {
        int[] order = null;
        int[] wanted = null;
        double cost = Double.POSITIVE_INFINITY;
        for (int way = 0; way < 4; way++) {
            int[] tour = tour(way % 2 == 1);
            int[] begun = order(tour, way >= 2);
            int[] shares = shares(tour, begun);
            for (int mixed = 0; mixed < 2; mixed++) {
                int[] persons = shares.clone();
                if (mixed == 1) {
                    Arrays.fill(persons, Packer.ANYBODY);
                }
                double found = tried(begun, persons);
                if (found < cost) {
                    cost = found;
                    order = begun.clone();
                    wanted = persons.clone();
                }
            }
        }
        anneal(order, wanted, cost);
        return best;
    }

    private double tried(int[] order, int[] wanted) {
        packer.pack(order, wanted);
        double finish = packer.finish();
        if (best == null
                || packer.late() < best.late() - Schedule.SAME
                || packer.late() < best.late() + Schedule.SAME && finish < best.finish() - Schedule.SAME) {
            best = packer.schedule();
        }
        double sum = 0;
        for (int p = 0; p < day.crew; p++) {
            sum += packer.until(p);
        }
        return LATE_WEIGHT * packer.late() + finish + MEAN_WEIGHT * sum / day.crew;
    }

    private boolean cannotBeBetter() {
        return best.late() <= day.doneLate + Schedule.SAME && best.finish() <= bound + Schedule.SAME;
    }

    private void anneal(int[] order, int[] wanted, double first) {
        int n = order.length;
        if (n == 0) {
            return;
        }
        double cost = first;
        int[] kept = order.clone();
        int[] keptWanted = wanted.clone();
        for (int tries = 0; tries < FEWEST_TRIES || packer.looks() < mostLooks; tries++) {
            if (cannotBeBetter() || tries > FEWEST_TRIES && packer.looks() > mostLooks) {
                return;
            }
            change(order, wanted);
            double found = tried(order, wanted);
            double left = Math.max(0, 1 - (double) packer.looks() / mostLooks);
            double allowed = best.finish() * (COLD + (HOT - COLD) * left * left) * random.nextFloat();
            if (found <= cost + allowed) {
                cost = found;
                System.arraycopy(order, 0, kept, 0, n);
                System.arraycopy(wanted, 0, keptWanted, 0, n);
            } else {
                System.arraycopy(kept, 0, order, 0, n);
                System.arraycopy(keptWanted, 0, wanted, 0, n);
            }
        }
    }

    /**
     * One random change, mostly a small one: what lies far apart in the round of the places seldom changes for the
     * better.
     */
    private void change(int[] order, int[] wanted) {
        int n = order.length;
        int a = below(n);
        int kind = below(day.crew == 1 ? 5 : 12);
        if (kind < 3) {
            move(order, a, near(a, n));
        } else if (kind < 5) {
            int b = below(4) == 0 ? below(n) : near(a, n);
            int other = order[a];
            order[a] = order[b];
            order[b] = other;
        } else if (kind < 8) {
            wanted[order[a]] = anyone();
        } else if (kind < 10) {
            int b = samePlace(order, a);
            int other = wanted[order[a]];
            wanted[order[a]] = wanted[order[b]];
            wanted[order[b]] = other;
        } else if (kind < 11) {
            wanted[order[a]] = anyone();
            move(order, a, below(n));
        } else {
            wanted[order[a]] = anyone();
            int b = samePlace(order, a);
            wanted[order[b]] = wanted[order[a]];
        }
    }

    private int near(int a, int n) {
        return Math.max(0, Math.min(n - 1, a + below(2 * NEAR + 1) - NEAR));
    }

    /** A turn of a chain at the same place, drawn among all; the turn itself where there is no other. */
    private int samePlace(int[] order, int a) {
        int others = 0;
        for (int i = 0; i < order.length; i++) {
            others += i != a && day.place[order[i]] == day.place[order[a]] ? 1 : 0;
        }
        int left = others == 0 ? -1 : below(others);
        for (int i = 0; left >= 0; i++) {
            if (i != a && day.place[order[i]] == day.place[order[a]] && left-- == 0) {
                return i;
            }
        }
        return a;
    }

    /** A whole number from 0 to under n, from 24 random bits: whole numbers of 64 bits are slow in a page. */
    private int below(int n) {
        return (int) (random.nextFloat() * n);
    }

    private int anyone() {
        int drawn = below(day.crew * 4 + 1);
        return drawn == day.crew * 4 ? Packer.ANYBODY : drawn % day.crew;
    }

    private static void move(int[] order, int from, int to) {
        int moved = order[from];
        if (from < to) {
            System.arraycopy(order, from + 1, order, from, to - from);
        } else {
            System.arraycopy(order, to, order, to + 1, from - to);
        }
        order[to] = moved;
    }

    /** Places with open work: always on to the nearest, then bettered by turning parts round; or the other way about. */
    private int[] tour(boolean backwards) {
        boolean[] wanted = new boolean[day.base];
        int n = 0;
        for (int c = 0; c < day.chains; c++) {
            if (day.open[c] < day.first[c + 1] && !wanted[day.place[c]]) {
                wanted[day.place[c]] = true;
                n++;
            }
        }
        int[] tour = new int[n];
        int here = day.base;
        for (int i = 0; i < n; i++) {
            int next = -1;
            for (int p = 0; p < day.base; p++) {
                if (wanted[p] && (next < 0 || day.walk[here][p] < day.walk[here][next])) {
                    next = p;
                }
            }
            wanted[next] = false;
            tour[i] = next;
            here = next;
        }
        boolean bettered = true;
        while (bettered) {
            bettered = false;
            for (int i = 0; i < n - 1; i++) {
                for (int j = i + 1; j < n; j++) {
                    int ahead = i == 0 ? day.base : tour[i - 1];
                    double gain = day.walk[ahead][tour[i]] - day.walk[ahead][tour[j]];
                    gain += j + 1 < n ? day.walk[tour[j]][tour[j + 1]] - day.walk[tour[i]][tour[j + 1]] : 0;
                    if (gain > Schedule.SAME) {
                        reverse(tour, i, j);
                        bettered = true;
                    }
                }
            }
        }
        if (backwards) {
            reverse(tour, 0, n - 1);
        }
        return tour;
    }

    private static void reverse(int[] tour, int i, int j) {
        for (int a = i, b = j; a < b; a++, b--) {
            int other = tour[a];
            tour[a] = tour[b];
            tour[b] = other;
        }
    }

    /** What has begun first, by what is due; then place by place, long chains before short ones. */
    private int[] order(int[] tour, boolean longFirst) {
        List<Integer> chains = new ArrayList<>();
        for (int c = 0; c < day.chains; c++) {
            if (day.open[c] < day.first[c + 1]) {
                chains.add(c);
            }
        }
        int[] turn = new int[day.base];
        for (int i = 0; i < tour.length; i++) {
            turn[tour[i]] = i;
        }
        chains.sort((a, b) -> {
            int byDue = Double.compare(day.due(a), day.due(b));
            if (byDue != 0) {
                return byDue;
            }
            boolean manyA = day.first[a + 1] - day.open[a] > 1;
            boolean manyB = day.first[b + 1] - day.open[b] > 1;
            if (longFirst && manyA != manyB) {
                return manyA ? -1 : 1;
            }
            int byPlace = Integer.compare(turn[day.place[a]], turn[day.place[b]]);
            int byLength = Double.compare(day.span(b), day.span(a));
            return byPlace != 0 ? byPlace : byLength != 0 ? byLength : Integer.compare(a, b);
        });
        int[] order = new int[chains.size()];
        for (int i = 0; i < order.length; i++) {
            order[i] = chains.get(i);
        }
        return order;
    }

    /** Who does which chain when the round of the places is cut into shares of equal work. */
    private int[] shares(int[] tour, int[] order) {
        double all = 0;
        for (int chain : order) {
            all += work(chain);
        }
        int[] wanted = new int[day.chains];
        double before = 0;
        for (int place : tour) {
            for (int chain : order) {
                if (day.place[chain] == place) {
                    wanted[chain] = (int) Math.min(day.crew - 1, Math.floor(day.crew * before / all));
                    before += work(chain);
                }
            }
        }
        return wanted;
    }

    private double work(int chain) {
        double sum = 0;
        for (int s = day.open[chain]; s < day.first[chain + 1]; s++) {
            sum += day.minutes[s];
        }
        return sum;
    }
}
