package org.morphotera.core.photo;

import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.soil.Unit;

/**
 * A place on a picture, as shares of its width and height from the top left.
 *
 * @param x 0..1
 * @param y 0..1
 */
public record Spot(Double x, Double y) {

    private static final Range SHARE = Range.between(0, 1);

    /** Reads a place. */
    public static Spot read(Fields fields) {
        return new Spot(
                fields.number("x", Unit.NONE, SHARE, Need.REQUIRED),
                fields.number("y", Unit.NONE, SHARE, Need.REQUIRED));
    }
}
