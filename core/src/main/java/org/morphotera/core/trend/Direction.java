package org.morphotera.core.trend;

import org.morphotera.core.soil.Coded;

/** Whether a change is for the better: by what the standings did, since more of a figure may be either. */
public enum Direction implements Coded {
    BETTER,
    WORSE,
    NONE;

    /** Standings that moved by less than this on average did not move. */
    private static final double STOOD_STILL = 0.005;

    /**
     * @param verdict only what has risen or fallen has a direction
     * @param standing mean change of the standings, -1..1
     */
    public static Direction of(PairedChange.Verdict verdict, double standing) {
        boolean changed = verdict == PairedChange.Verdict.RISEN || verdict == PairedChange.Verdict.FALLEN;
        if (!changed || Math.abs(standing) < STOOD_STILL) {
            return NONE;
        }
        return standing > 0 ? BETTER : WORSE;
    }
}
