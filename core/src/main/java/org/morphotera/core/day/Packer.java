package org.morphotera.core.day;

import java.util.Arrays;

/**
 * Builds a plan chain by chain: each goes, whole, into the earliest room that the persons' days still have, so that the
 * waits of some are filled with the work of others. Any order of chains gives a plan that keeps all waits, since at
 * the end of everyone's day there is always room; only what done steps have begun can come late.
 */
final class Packer {

    /** Any person may do any step. */
    static final int ANYBODY = -1;

    private static final double EPS = 1e-9;

    private final DayProblem day;
    private final int[] count;
    private final double[][] from;
    private final double[][] to;
    private final int[][] where;

    private final int[] person;
    private final double[] start;
    private double late;
    private int looks;

    private int foundPerson;
    private double foundStart;

    Packer(DayProblem day) {
        this.day = day;
        int most = day.openSteps() + 1;
        count = new int[day.crew];
        from = new double[day.crew][most];
        to = new double[day.crew][most];
        where = new int[day.crew][most];
        person = day.donePerson.clone();
        start = day.doneStart.clone();
    }

    /** How many places in persons' days were looked at, since the beginning: the measure of the work. */
    int looks() {
        return looks;
    }

    /**
     * @param order chains, the first is placed first
     * @param wanted the person for each chain, or {@link #ANYBODY}
     */
    void pack(int[] order, int[] wanted) {
        Arrays.fill(count, 0);
        late = day.doneLate;
        for (int chain : order) {
            put(chain, wanted[chain]);
        }
    }

    Schedule schedule() {
        return new Schedule(person.clone(), start.clone(), late, finish());
    }

    double late() {
        return late;
    }

    double finish() {
        double finish = day.doneUntil;
        for (int p = 0; p < day.crew; p++) {
            finish = Math.max(finish, until(p));
        }
        return finish;
    }

    /** When a person's day ends; 0 where they have nothing to do. */
    double until(int p) {
        return count[p] == 0 ? 0 : to[p][count[p] - 1];
    }

    private void put(int chain, int wanted) {
        int begin = day.open[chain];
        int end = day.first[chain + 1];
        double at = day.ready(chain);
        int s = begin;
        while (s < end) {
            find(day.place[chain], day.minutes[s], at, wanted);
            boolean bound = s > begin;
            double over = !bound ? 0 : foundStart - endOf(s - 1) - day.most[s];
            if (over > EPS && canWait(chain, s - 1, over)) {
                // the step before has to begin later for this one to keep its wait
                at = start[s - 1] + over;
                s--;
                take(s);
                continue;
            }
            person[s] = foundPerson;
            start[s] = foundStart;
            give(s);
            at = endOf(s) + (s + 1 < end ? day.least[s + 1] : 0);
            s++;
        }
        for (s = begin; s < end; s++) {
            double over = s == begin ? start[s] - day.due(chain) : start[s] - endOf(s - 1) - day.most[s];
            // sums of fractions leave crumbs that are no lateness
            late += over > EPS ? over : 0;
        }
    }

    /** Whether a placed step may begin so much later without being late itself. */
    private boolean canWait(int chain, int s, double by) {
        double due = s == day.open[chain] ? day.due(chain) : endOf(s - 1) + day.most[s];
        // an open first step has no due time; one whose own wait ends sooner moves the step before it in turn
        return s > day.open[chain] || start[s] + by <= due + EPS;
    }

    private double endOf(int s) {
        return start[s] + day.minutes[s];
    }

    /** The earliest room for a step, on the wanted person's day or on anybody's. */
    private void find(int place, double minutes, double at, int wanted) {
        foundStart = Double.POSITIVE_INFINITY;
        int lowest = wanted == ANYBODY ? 0 : wanted;
        int highest = wanted == ANYBODY ? day.crew - 1 : wanted;
        double bestWalk = 0;
        for (int p = lowest; p <= highest; p++) {
            double found = room(p, place, minutes, at, foundStart);
            if (found < foundStart - EPS) {
                foundStart = found;
                foundPerson = p;
                bestWalk = walkTo(p, place, found);
            } else if (found < foundStart + EPS) {
                double walk = walkTo(p, place, found);
                if (walk < bestWalk - EPS) {
                    foundStart = found;
                    foundPerson = p;
                    bestWalk = walk;
                }
            }
        }
    }

    private double walkTo(int p, int place, double at) {
        int i = firstAfter(p, at) - 1;
        return day.walk[i < 0 ? day.standing[p].place() : where[p][i]][place];
    }

    /** Index of the first piece of work that begins after a minute. */
    private int firstAfter(int p, double at) {
        int low = 0;
        int high = count[p];
        while (low < high) {
            int middle = (low + high) / 2;
            if (from[p][middle] > at) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    private double room(int p, int place, double minutes, double at, double noLaterThan) {
        for (int i = firstAfter(p, at); ; i++) {
            looks++;
            boolean begins = i == 0;
            DayProblem.Standing standing = day.standing[p];
            double free = begins ? standing.from() : to[p][i - 1];
            int here = begins ? standing.place() : where[p][i - 1];
            double begin = Math.max(at, free + day.walk[here][place]);
            if (i == count[p] || begin > noLaterThan + EPS) {
                return begin;
            }
            if (begin + minutes + day.walk[place][where[p][i]] <= from[p][i] + EPS) {
                return begin;
            }
        }
    }

    private void give(int s) {
        int p = person[s];
        int i = firstAfter(p, start[s]);
        int moved = count[p] - i;
        System.arraycopy(from[p], i, from[p], i + 1, moved);
        System.arraycopy(to[p], i, to[p], i + 1, moved);
        System.arraycopy(where[p], i, where[p], i + 1, moved);
        from[p][i] = start[s];
        to[p][i] = endOf(s);
        where[p][i] = day.place[day.chainOf[s]];
        count[p]++;
    }

    private void take(int s) {
        int p = person[s];
        int i = firstAfter(p, start[s]) - 1;
        int moved = count[p] - i - 1;
        System.arraycopy(from[p], i + 1, from[p], i, moved);
        System.arraycopy(to[p], i + 1, to[p], i, moved);
        System.arraycopy(where[p], i + 1, where[p], i, moved);
        count[p]--;
    }
}
