package org.morphotera.core.limits;

import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * How much of a field is held back, from the chances of its stops. They are apart given the field, and the field is not
 * known for certain: what its signs mean is shared by all its stops (one common normal factor; Vasicek, 2002).
 */
final class AreaHeldBack {

    /** How much of what is not known of a stop is shared by all stops of its field, 0 to 1. */
    private static final double SHARED = 0.8;

    /** The common factor is looked at from this many standard deviations below to as many above. */
    private static final double REACH = 4;

    private static final int STEPS = 40;

    private static final double LEAST_CHANCE = 1e-9;

    /** Shares of an area are counted in parts of it where stops stand for unlike ones. */
    private static final int PARTS = 400;

    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    /** Chance of each number of parts, one for each value of the common factor. */
    private final double[][] spread;

    private final double[] weight;
    private final int all;

    /**
     * @param chances of each stop, 0 to 1
     * @param shares of the area, adding up to 1
     */
    AreaHeldBack(double[] chances, double[] shares) {
        int[] parts = parts(shares);
        int sum = 0;
        for (int each : parts) {
            sum += each;
        }
        all = sum;
        double[] at = new double[chances.length];
        for (int i = 0; i < chances.length; i++) {
            double chance = Math.max(LEAST_CHANCE, Math.min(1 - LEAST_CHANCE, chances[i]));
            at[i] = NORMAL.inverseCumulativeProbability(chance);
        }
        spread = new double[STEPS + 1][];
        weight = new double[STEPS + 1];
        double whole = 0;
        for (int k = 0; k <= STEPS; k++) {
            double common = -REACH + 2 * REACH * k / STEPS;
            weight[k] = Math.exp(-common * common / 2);
            whole += weight[k];
            spread[k] = counted(at, parts, common);
        }
        for (int k = 0; k <= STEPS; k++) {
            weight[k] /= whole;
        }
    }

    private static int[] parts(double[] shares) {
        int[] parts = new int[shares.length];
        boolean alike = true;
        for (double share : shares) {
            alike &= Math.abs(share - shares[0]) < LEAST_CHANCE;
        }
        for (int i = 0; i < shares.length; i++) {
            parts[i] = alike ? 1 : (int) Math.round(shares[i] * PARTS);
        }
        return parts;
    }

    private double[] counted(double[] at, int[] parts, double common) {
        double[] chances = new double[all + 1];
        chances[0] = 1;
        int upTo = 0;
        for (int i = 0; i < at.length; i++) {
            double here = NORMAL.cumulativeProbability((at[i] + Math.sqrt(SHARED) * common) / Math.sqrt(1 - SHARED));
            upTo += parts[i];
            for (int n = upTo; n >= 0; n--) {
                chances[n] = chances[n] * (1 - here) + (n >= parts[i] ? chances[n - parts[i]] * here : 0);
            }
        }
        return chances;
    }

    /** The chance that at least a share of the area, 0 to 1, is held back. */
    double atLeast(double share) {
        int from = (int) Math.ceil(share * all - LEAST_CHANCE);
        double chance = 0;
        for (int k = 0; k < spread.length; k++) {
            double within = 0;
            for (int n = from; n < spread[k].length; n++) {
                within += spread[k][n];
            }
            chance += weight[k] * within;
        }
        return chance;
    }
}
