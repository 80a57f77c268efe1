package org.morphotera.placement;

import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;

/** The order in which stops are walked: the shortest open path, exact for a few, close for many. */
record Walk(List<Integer> order, double metres) {

    /** Up to so many stops all orders are compared (Held and Karp, 1962). */
    static final int EXACT = 9;

    private static final int BEGINNINGS = 8;

    /** @param start where the walk begins; {@code null} to begin at the stop that makes it shortest */
    static Walk through(List<Coordinate> stops, Coordinate start) {
        int[] order = stops.size() <= EXACT ? exact(stops, start) : close(stops, start);
        return new Walk(Arrays.stream(order).boxed().toList(), length(stops, start, order));
    }

    private static double length(List<Coordinate> stops, Coordinate start, int[] order) {
        double metres = 0;
        Coordinate here = start;
        for (int i : order) {
            metres += here == null ? 0 : here.distance(stops.get(i));
            here = stops.get(i);
        }
        return metres;
    }

    private static int[] exact(List<Coordinate> stops, Coordinate start) {
        int n = stops.size();
        double[][] shortest = new double[1 << n][n];
        int[][] before = new int[1 << n][n];
        for (int set = 1; set < 1 << n; set++) {
            for (int last = 0; last < n; last++) {
                shortest[set][last] = Double.POSITIVE_INFINITY;
                before[set][last] = -1;
                if ((set & 1 << last) == 0) {
                    continue;
                }
                int rest = set & ~(1 << last);
                if (rest == 0) {
                    shortest[set][last] = start == null ? 0 : start.distance(stops.get(last));
                }
                for (int from = 0; from < n; from++) {
                    if ((rest & 1 << from) != 0) {
                        double metres = shortest[rest][from] + stops.get(from).distance(stops.get(last));
                        if (metres < shortest[set][last]) {
                            shortest[set][last] = metres;
                            before[set][last] = from;
                        }
                    }
                }
            }
        }
        int set = (1 << n) - 1;
        int last = 0;
        for (int i = 1; i < n; i++) {
            last = shortest[set][i] < shortest[set][last] ? i : last;
        }
        int[] order = new int[n];
        for (int i = n - 1; i >= 0; i--) {
            order[i] = last;
            int from = before[set][last];
            set &= ~(1 << last);
            last = from;
        }
        return order;
    }

    /** From each beginning always on to the nearest, then parts turned round and moved while that shortens it. */
    private static int[] close(List<Coordinate> stops, Coordinate start) {
        int[] best = null;
        double least = Double.POSITIVE_INFINITY;
        int beginnings = start == null ? BEGINNINGS : 1;
        for (int begin = 0; begin < beginnings; begin++) {
            int[] order = nearest(stops, start, begin * stops.size() / beginnings);
            shorten(stops, start, order);
            double metres = length(stops, start, order);
            if (metres < least) {
                least = metres;
                best = order;
            }
        }
        return best;
    }

    private static int[] nearest(List<Coordinate> stops, Coordinate start, int begin) {
        int n = stops.size();
        boolean[] seen = new boolean[n];
        int[] order = new int[n];
        Coordinate here = start == null ? stops.get(begin) : start;
        for (int i = 0; i < n; i++) {
            int next = -1;
            for (int s = 0; s < n; s++) {
                if (!seen[s] && (next < 0 || here.distance(stops.get(s)) < here.distance(stops.get(next)))) {
                    next = s;
                }
            }
            seen[next] = true;
            order[i] = next;
            here = stops.get(next);
        }
        return order;
    }

    private static void shorten(List<Coordinate> stops, Coordinate start, int[] order) {
        boolean shorter = true;
        while (shorter) {
            shorter = turned(stops, start, order) || moved(stops, start, order);
        }
    }

    private static double leg(List<Coordinate> stops, Coordinate start, int[] order, int i, int j) {
        Coordinate from = i < 0 ? start : stops.get(order[i]);
        return from == null || j >= order.length ? 0 : from.distance(stops.get(order[j]));
    }

    private static boolean turned(List<Coordinate> stops, Coordinate start, int[] order) {
        boolean any = false;
        for (int i = 0; i < order.length - 1; i++) {
            for (int j = i + 1; j < order.length; j++) {
                double before = leg(stops, start, order, i - 1, i) + leg(stops, start, order, j, j + 1);
                double after = leg(stops, start, order, i - 1, j)
                        + (j + 1 < order.length ? leg(stops, start, order, i, j + 1) : 0);
                if (after < before - 1e-9) {
                    for (int a = i, b = j; a < b; a++, b--) {
                        int other = order[a];
                        order[a] = order[b];
                        order[b] = other;
                    }
                    any = true;
                }
            }
        }
        return any;
    }

    private static boolean moved(List<Coordinate> stops, Coordinate start, int[] order) {
        double metres = length(stops, start, order);
        for (int from = 0; from < order.length; from++) {
            for (int to = 0; to < order.length; to++) {
                int[] other = order.clone();
                int stop = other[from];
                if (from < to) {
                    System.arraycopy(order, from + 1, other, from, to - from);
                } else {
                    System.arraycopy(order, to, other, to + 1, from - to);
                }
                other[to] = stop;
                if (length(stops, start, other) < metres - 1e-9) {
                    System.arraycopy(other, 0, order, 0, order.length);
                    return true;
                }
            }
        }
        return false;
    }
}
