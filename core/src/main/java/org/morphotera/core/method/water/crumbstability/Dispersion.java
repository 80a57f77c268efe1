package org.morphotera.core.method.water.crumbstability;

import java.util.List;
import org.morphotera.core.soil.Coded;

/** Clouds counted over the crumbs of a dish. */
record Dispersion(int strong, int clouded, int crumbs) {

    /** Poor: a strong cloud around at least a third of the crumbs; fair: any cloud; good: none. */
    enum Grade implements Coded {
        POOR(0),
        FAIR(1),
        GOOD(2);

        private final double score;

        Grade(double score) {
            this.score = score;
        }

        double score() {
            return score;
        }
    }

    static Dispersion of(List<CrumbStability.Crumb> crumbs) {
        int strong = 0;
        int clouded = 0;
        for (CrumbStability.Crumb crumb : crumbs) {
            strong += crumb.cloud() == CrumbStability.Cloud.STRONG ? 1 : 0;
            clouded += crumb.cloud() == CrumbStability.Cloud.NONE ? 0 : 1;
        }
        return new Dispersion(strong, clouded, crumbs.size());
    }

    Grade grade() {
        if (3 * strong >= crumbs) {
            return Grade.POOR;
        }
        return clouded > 0 ? Grade.FAIR : Grade.GOOD;
    }
}
