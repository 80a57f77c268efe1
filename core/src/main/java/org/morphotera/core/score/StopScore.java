package org.morphotera.core.score;

import org.morphotera.core.soil.DepthLayer;

/**
 * What one stop shows for one indicator.
 *
 * @param stop any key of the stop
 * @param layer the sampled layer; {@code null} above ground
 * @param standing 0..1
 * @param points the method's own score of 2, or {@code null} where it has none
 */
public record StopScore(String stop, String indicator, DepthLayer layer, double standing, Double points) {

    /** Of a method that has no score of 2 of its own. */
    public StopScore(String stop, String indicator, DepthLayer layer, double standing) {
        this(stop, indicator, layer, standing, null);
    }

    /** The score of 2: the method's own, else the standing to the nearest half. */
    public double pointsOfTwo() {
        return points == null ? Math.floor(standing * 4 + 0.5) / 2 : points;
    }
}
