package org.morphotera.core.method.surface.penetration;

import java.util.List;

/**
 * Where each of some probes meets the limit of roots, between its readings.
 *
 * @param limited how many meet it
 * @param meanOfLimited mm; NaN when none meets it
 * @param meanOfAll mm, each one that does not meet it counted at a set depth
 */
record ProbeLimits(
        int limited,
        double meanOfLimited,
        double shallowest,
        double deepest,
        double meanOfAll,
        double shallowestOfAll,
        double deepestOfAll) {

    static ProbeLimits of(List<Penetration.Probe> probes, double factor, double limitKPa, double otherwiseMm) {
        int limited = 0;
        double sum = 0;
        double sumOfAll = 0;
        double shallowest = Double.POSITIVE_INFINITY;
        double deepest = 0;
        double shallowestOfAll = Double.POSITIVE_INFINITY;
        double deepestOfAll = 0;
        for (Penetration.Probe probe : probes) {
            Double depth = limitDepth(probe, factor, limitKPa);
            if (depth != null) {
                limited++;
                sum += depth;
                shallowest = Math.min(shallowest, depth);
                deepest = Math.max(deepest, depth);
            }
            double counted = depth == null ? otherwiseMm : depth;
            sumOfAll += counted;
            shallowestOfAll = Math.min(shallowestOfAll, counted);
            deepestOfAll = Math.max(deepestOfAll, counted);
        }
        return new ProbeLimits(
                limited, sum / limited, shallowest, deepest, sumOfAll / probes.size(), shallowestOfAll, deepestOfAll);
    }

    /** Depth where the line between readings first reaches the limit, or of refusal; {@code null} for neither. */
    private static Double limitDepth(Penetration.Probe probe, double factor, double limitKPa) {
        Penetration.Reading before = null;
        for (Penetration.Reading reading : probe.readings()) {
            double pressure = reading.kPa() * factor;
            if (pressure >= limitKPa) {
                if (before == null) {
                    return reading.depthMm();
                }
                double from = before.kPa() * factor;
                double share = (limitKPa - from) / (pressure - from);
                return before.depthMm() + share * (reading.depthMm() - before.depthMm());
            }
            before = reading;
        }
        return probe.refusedAtMm();
    }
}
