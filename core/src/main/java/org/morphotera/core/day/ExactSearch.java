package org.morphotera.core.day;

/**
 * The proven best plan of a few open steps: every division among the persons and every order of each is looked at, cut
 * off where it can't become better. For one order, times follow from differences: the earliest by longest paths; where
 * waits can't all be kept, the least lateness by steepest descent, which ends at the optimum since lateness is L-natural
 * convex in the starts (Murota, 2003).
 */
final class ExactSearch {

    /** So many open steps are tried in all orders. */
    static final int MOST_STEPS = 7;

    private static final double EPS = 1e-9;

    private final DayProblem day;
    private final int n;
    private final int[] step;
    private final int[] placeOf;
    private final double[] length;
    private final double[] ready;
    private final double[] due;
    /** The node before in the chain, or −1. */
    private final int[] before;

    private final int[] listOwner;
    /** The node before in the person's list, or −1. */
    private final int[] listBefore;

    private boolean mayBeLate;
    private double bestLate = Double.POSITIVE_INFINITY;
    private double bestFinish = Double.POSITIVE_INFINITY;
    private double[] bestStart;
    private int[] bestOwner;

    ExactSearch(DayProblem day) {
        this.day = day;
        this.n = day.openSteps();
        step = new int[n];
        placeOf = new int[n];
        length = new double[n];
        ready = new double[n];
        due = new double[n];
        before = new int[n];
        listOwner = new int[n];
        listBefore = new int[n];
        int at = 0;
        for (int c = 0; c < day.chains; c++) {
            for (int s = day.open[c]; s < day.first[c + 1]; s++) {
                step[at] = s;
                placeOf[at] = day.place[c];
                length[at] = day.minutes[s];
                boolean leads = s == day.open[c];
                ready[at] = leads ? day.ready(c) : day.now;
                due[at] = leads ? day.due(c) : Double.POSITIVE_INFINITY;
                before[at] = leads ? -1 : at - 1;
                at++;
            }
        }
    }

    Schedule best() {
        assign(0, (1 << n) - 1, -1);
        if (bestStart == null) {
            mayBeLate = true;
            assign(0, (1 << n) - 1, -1);
        }
        int[] person = day.donePerson.clone();
        double[] start = day.doneStart.clone();
        for (int i = 0; i < n; i++) {
            person[step[i]] = bestOwner[i];
            start[step[i]] = bestStart[i];
        }
        return new Schedule(person, start, bestLate + day.doneLate, Math.max(bestFinish, day.doneUntil));
    }

    /**
     * @param remaining steps that nobody has yet, as bits
     * @param last step of this person's list so far, or −1
     */
    private void assign(int person, int remaining, int last) {
        double[] start = times();
        if (start == null || cannotBeBetter(start)) {
            return;
        }
        if (remaining == 0) {
            keep(start);
            return;
        }
        for (int i = 0; i < n; i++) {
            if ((remaining & 1 << i) != 0 && !(last < 0 && swaps(person, i))) {
                listOwner[i] = person + 1;
                listBefore[i] = last;
                assign(person, remaining & ~(1 << i), i);
                listOwner[i] = 0;
            }
        }
        if (person + 1 < day.crew && !(last < 0 && sameAsNext(person))) {
            assign(person + 1, remaining, -1);
        }
    }

    private boolean sameAsNext(int person) {
        return day.standing[person].equals(day.standing[person + 1]);
    }

    /** Whether beginning the list with this step only gives another plan with two like persons exchanged. */
    private boolean swaps(int person, int begin) {
        if (person == 0 || !day.standing[person].equals(day.standing[person - 1])) {
            return false;
        }
        for (int i = 0; i < n; i++) {
            if (listOwner[i] == person && listBefore[i] < 0) {
                return begin < i;
            }
        }
        return false;
    }

    private boolean cannotBeBetter(double[] start) {
        double late = late(start);
        return late > bestLate + EPS || late > bestLate - EPS && finish(start) > bestFinish - Schedule.SAME;
    }

    private void keep(double[] start) {
        bestLate = late(start);
        bestFinish = finish(start);
        bestStart = start;
        bestOwner = new int[n];
        for (int i = 0; i < n; i++) {
            bestOwner[i] = listOwner[i] - 1;
        }
    }

    private double finish(double[] start) {
        double finish = 0;
        for (int i = 0; i < n; i++) {
            finish = Math.max(finish, start[i] + length[i]);
        }
        return finish;
    }

    private double late(double[] start) {
        double late = 0;
        for (int i = 0; i < n; i++) {
            double over = overdue(start, i);
            late += over > EPS ? over : 0;
        }
        return late;
    }

    /** How long after its latest moment a step begins; negative while there is room. */
    private double overdue(double[] start, int i) {
        return before[i] < 0 ? start[i] - due[i] : start[i] - start[before[i]] - length[before[i]] - day.most[step[i]];
    }

    /** The earliest times of the lists so far; {@code null} where waits can't be kept or steps wait for each other. */
    private double[] times() {
        double[] start = earliest(!mayBeLate);
        return start == null || !mayBeLate ? start : leastLate(start);
    }

    private double[] earliest(boolean keepMost) {
        double[] start = ready.clone();
        for (int i = 0; i < n; i++) {
            if (listOwner[i] > 0 && listBefore[i] < 0) {
                DayProblem.Standing from = day.standing[listOwner[i] - 1];
                start[i] = Math.max(start[i], from.from() + day.walk[from.place()][placeOf[i]]);
            }
        }
        for (int round = 0; round <= n + 1; round++) {
            boolean moved = false;
            for (int i = 0; i < n; i++) {
                double at = start[i];
                if (before[i] >= 0) {
                    at = Math.max(at, start[before[i]] + length[before[i]] + day.least[step[i]]);
                }
                if (listOwner[i] > 0 && listBefore[i] >= 0) {
                    at = Math.max(at, start[listBefore[i]] + afterwards(listBefore[i], i));
                }
                if (at > start[i] + EPS) {
                    start[i] = at;
                    moved = true;
                }
                if (keepMost && before[i] >= 0) {
                    double pulled = start[i] - day.most[step[i]] - length[before[i]];
                    if (pulled > start[before[i]] + EPS) {
                        start[before[i]] = pulled;
                        moved = true;
                    }
                }
            }
            if (!moved) {
                return keepMost && late(start) > EPS ? null : start;
            }
        }
        return null;
    }

    private double afterwards(int i, int next) {
        return length[i] + day.walk[placeOf[i]][placeOf[next]];
    }

    /** Delays sets of steps as long as that takes lateness away. */
    private double[] leastLate(double[] start) {
        while (true) {
            int chosen = 0;
            int slope = 0;
            for (int set = 1; set < 1 << n; set++) {
                int own = slope(start, set);
                boolean smaller = own == slope && Integer.bitCount(set) < Integer.bitCount(chosen);
                if ((own < slope || own < 0 && smaller) && room(start, set) > EPS) {
                    chosen = set;
                    slope = own;
                }
            }
            if (chosen == 0) {
                return start;
            }
            double by = Math.min(room(start, chosen), toNextBend(start, chosen));
            for (int i = 0; i < n; i++) {
                start[i] += (chosen & 1 << i) != 0 ? by : 0;
            }
        }
    }

    /** By how much lateness changes per minute when these steps are delayed. */
    private int slope(double[] start, int set) {
        int slope = 0;
        for (int i = 0; i < n; i++) {
            boolean in = (set & 1 << i) != 0;
            boolean beforeIn = before[i] >= 0 && (set & 1 << before[i]) != 0;
            if (in && !beforeIn && overdue(start, i) > -EPS) {
                slope++;
            } else if (!in && beforeIn && overdue(start, i) > EPS) {
                slope--;
            }
        }
        return slope;
    }

    /** How far these steps can be delayed without pushing any other. */
    private double room(double[] start, int set) {
        double room = Double.POSITIVE_INFINITY;
        for (int i = 0; i < n; i++) {
            if ((set & 1 << i) != 0) {
                continue;
            }
            if (before[i] >= 0 && (set & 1 << before[i]) != 0) {
                room = Math.min(room, start[i] - start[before[i]] - length[before[i]] - day.least[step[i]]);
            }
            if (listOwner[i] > 0 && listBefore[i] >= 0 && (set & 1 << listBefore[i]) != 0) {
                room = Math.min(room, start[i] - start[listBefore[i]] - afterwards(listBefore[i], i));
            }
        }
        return room;
    }

    /** How far until one of them becomes late, or another is late no more. */
    private double toNextBend(double[] start, int set) {
        double bend = Double.POSITIVE_INFINITY;
        for (int i = 0; i < n; i++) {
            boolean in = (set & 1 << i) != 0;
            boolean beforeIn = before[i] >= 0 && (set & 1 << before[i]) != 0;
            double over = overdue(start, i);
            if (in && !beforeIn && over < -EPS) {
                bend = Math.min(bend, -over);
            } else if (!in && beforeIn && over > EPS) {
                bend = Math.min(bend, over);
            }
        }
        return bend;
    }
}
