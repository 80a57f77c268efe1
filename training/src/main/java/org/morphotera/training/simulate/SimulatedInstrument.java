package org.morphotera.training.simulate;

import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.Random;

/**
 * An instrument that is not there: it begins somewhere off, settles along an exponential, drifts slowly and scatters.
 * Without knowing the truth it says, as a real one does, whether its last values stand still.
 */
public final class SimulatedInstrument implements Instrument {

    private static final int LOOKED_BACK = 12;
    private static final double FIRST_ERROR_SHARE = 0.35;

    private final Kind kind;
    private final double truth;
    private final double firstError;
    private final Random random;
    private final Deque<Double> last = new ArrayDeque<>();

    /** @param truth what it would show in the end, in the unit of its kind */
    public SimulatedInstrument(Kind kind, double truth, Random random) {
        this.kind = kind;
        this.truth = truth;
        this.random = random;
        double size = kind == Kind.PH_METER ? 0.9 : FIRST_ERROR_SHARE * Math.max(truth, kind.stableWithin() * 10);
        this.firstError = size * (random.nextBoolean() ? 1 : -1) * (0.6 + 0.4 * random.nextDouble());
    }

    @Override
    public Kind kind() {
        return kind;
    }

    @Override
    public Shown at(double seconds) {
        double settled = truth + firstError * Math.exp(-seconds / kind.settlingSeconds());
        double value = Math.max(0, settled + kind.driftPerSecond() * seconds + kind.noise() * random.nextGaussian());
        last.addLast(value);
        if (last.size() > LOOKED_BACK) {
            last.removeFirst();
        }
        boolean full = last.size() == LOOKED_BACK;
        boolean stable = full && Collections.max(last) - Collections.min(last) <= 2 * kind.stableWithin();
        return new Shown(value, stable);
    }
}
