package org.morphotera.core.score;

import java.util.List;
import org.morphotera.core.result.Level;
import org.morphotera.core.soil.DepthLayer;

/**
 * One indicator over the stops of a field, in one depth band: where the field stands, with the lowest and highest stop.
 *
 * @param median score of the field, 0 to 1
 * @param layer from the highest top to the lowest bottom of what was sampled; {@code null} above ground
 * @param stops what it was made of
 * @param oddStops stops more than 0.35 from the median of at least four others
 */
public record Finding(
        String indicator,
        DepthBand band,
        DepthLayer layer,
        double median,
        double lowest,
        double highest,
        List<StopScore> stops,
        List<String> oddStops) {

    /** The level of the median. */
    public Level level() {
        return Level.of(median);
    }
}
