package org.morphotera.core.judgement;

import org.morphotera.core.benchmark.Table;

/**
 * The scale on which an indicator's figures scatter alike: as they stand, by their logarithm, or by the logit of their
 * share of a most.
 */
public sealed interface ModelScale {

    /** A figure on this scale. */
    double of(double figure);

    /** A figure from this scale. */
    double figure(double onScale);

    /** Whether a change on it is told as a ratio. */
    default boolean ratio() {
        return false;
    }

    /** @param table {@code model.<indicator>} */
    static ModelScale of(Table table) {
        if (table.has("log-plus")) {
            return new Log(table.at("log-plus", IndicatorModel.VALUE));
        }
        if (table.has("share-of")) {
            return new Share(table.at("share-of", IndicatorModel.VALUE), table.at("step", IndicatorModel.VALUE));
        }
        return new Linear();
    }

    /** As it stands. */
    record Linear() implements ModelScale {

        @Override
        public double of(double figure) {
            return figure;
        }

        @Override
        public double figure(double onScale) {
            return onScale;
        }
    }

    /** @param plus added before the logarithm, for what may be none */
    record Log(double plus) implements ModelScale {

        /** Keeps the logarithm of nothing finite where nothing is added. */
        private static final double LEAST = 1e-6;

        @Override
        public double of(double figure) {
            return Math.log(Math.max(LEAST, figure + plus));
        }

        @Override
        public double figure(double onScale) {
            return Math.max(0, Math.exp(onScale) - plus);
        }

        @Override
        public boolean ratio() {
            return true;
        }
    }

    /**
     * @param most the figure of the whole
     * @param step of which a reading at either end lies the half within
     */
    record Share(double most, double step) implements ModelScale {

        @Override
        public double of(double figure) {
            double within = Math.min(most - step / 2, Math.max(step / 2, figure));
            return Math.log(within / (most - within));
        }

        @Override
        public double figure(double onScale) {
            return most / (1 + Math.exp(-onScale));
        }
    }
}
