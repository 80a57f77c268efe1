package org.morphotera.training.simulate;

import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/** A meter that is read as it settles. Real ones and simulated ones stand behind the same interface. */
public interface Instrument {

    /** What can be read by an instrument, and how well: noise, drift and settling as in its kind's data sheets. */
    enum Kind implements Coded {
        /** Conductivity of a slurry; settles as the probe takes on its temperature. */
        CONDUCTIVITY_PROBE(Unit.DS_PER_M, 4, 0.006, 0.0004, 0.02),
        /** A glass electrode in a slurry: slow, with a small drift. */
        PH_METER(Unit.PH, 5, 0.006, 0.0003, 0.02),
        /** A cone pushed at an even speed: quick and rough. */
        PENETROMETER(Unit.KPA, 0.8, 45, 0, 110);

        private final Unit unit;
        private final double settlingSeconds;
        private final double noise;
        private final double driftPerSecond;
        private final double stableWithin;

        Kind(Unit unit, double settlingSeconds, double noise, double driftPerSecond, double stableWithin) {
            this.unit = unit;
            this.settlingSeconds = settlingSeconds;
            this.noise = noise;
            this.driftPerSecond = driftPerSecond;
            this.stableWithin = stableWithin;
        }

        public Unit unit() {
            return unit;
        }

        /** Time after which a third of the first error is left (1/e). */
        double settlingSeconds() {
            return settlingSeconds;
        }

        /** Standard deviation of single values. */
        double noise() {
            return noise;
        }

        double driftPerSecond() {
            return driftPerSecond;
        }

        /** Half the range within which the last values must lie to count as standing still. */
        double stableWithin() {
            return stableWithin;
        }
    }

    /**
     * What it shows.
     *
     * @param stable the last values lie within what its kind calls standing still
     */
    record Shown(double value, boolean stable) {}

    Kind kind();

    /** @param seconds since it was put in; must not fall from call to call */
    Shown at(double seconds);
}
