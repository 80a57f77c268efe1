package org.morphotera.core.method.surface.penetration;

import java.util.List;

/**
 * Where each of some pushes meets the limit of roots.
 *
 * @param pushes how many there were
 * @param limited how many meet it
 * @param meanOfLimited mm; NaN when none meets it
 * @param counted how many speak of the ground: those that meet it, and those that went deep without
 * @param meanOfCounted mm, each one that does not meet it counted at a set depth; NaN when none counts
 * @param deepestPushed how deep any of them went, mm
 */
record ProbeLimits(
        int pushes,
        int limited,
        double meanOfLimited,
        double shallowest,
        double deepest,
        int counted,
        double meanOfCounted,
        double shallowestOfCounted,
        double deepestOfCounted,
        double deepestPushed) {

    /**
     * One push.
     *
     * @param limitMm depth at which it met the limit, or {@code null}
     * @param pushedToMm how deep it went
     */
    record Push(Double limitMm, double pushedToMm) {}

    /**
     * @param otherwiseMm what a push counts as that never met the limit
     * @param deepFromMm as deep must such a push have gone to count
     */
    static ProbeLimits of(List<Push> pushes, double otherwiseMm, double deepFromMm) {
        int limited = 0;
        int counted = 0;
        double sum = 0;
        double sumOfCounted = 0;
        double shallowest = Double.POSITIVE_INFINITY;
        double deepest = 0;
        double shallowestOfCounted = Double.POSITIVE_INFINITY;
        double deepestOfCounted = 0;
        double deepestPushed = 0;
        for (Push push : pushes) {
            deepestPushed = Math.max(deepestPushed, push.pushedToMm());
            Double depth = push.limitMm();
            if (depth != null) {
                limited++;
                sum += depth;
                shallowest = Math.min(shallowest, depth);
                deepest = Math.max(deepest, depth);
            } else if (push.pushedToMm() < deepFromMm) {
                continue;
            }
            double counts = depth == null ? otherwiseMm : depth;
            counted++;
            sumOfCounted += counts;
            shallowestOfCounted = Math.min(shallowestOfCounted, counts);
            deepestOfCounted = Math.max(deepestOfCounted, counts);
        }
        return new ProbeLimits(
                pushes.size(),
                limited,
                sum / limited,
                shallowest,
                deepest,
                counted,
                sumOfCounted / counted,
                shallowestOfCounted,
                deepestOfCounted,
                deepestPushed);
    }
}
