package org.morphotera.core.method;

import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;

/**
 * Something that a test saw in the ground, as it is drawn there.
 *
 * @param layer in which it was seen; {@code null} above the ground
 * @param amount by the kind: a share of 0..1, or a number of worms in a block of 200 mm
 * @param colour as {@code #rrggbb}, of {@link Kind#COLOUR} only
 * @param bites the indicator whose finding is listed at the foot of this layer, where it is felt; or {@code null}
 */
public record GroundMark(
        Kind kind,
        @Nullable DepthLayer layer,
        double amount,
        @Nullable String colour,
        @Nullable String bites) {

    /** What can be drawn. */
    public enum Kind implements Coded {
        COVER,
        COLOUR,
        ROOTS,
        PAN,
        WORMS,
        SALT,
        MOTTLES,
        STONES,
        WATER
    }

    /** Share of the ground that is covered, 0..1. */
    public static GroundMark cover(double share) {
        return new GroundMark(Kind.COVER, null, share, null, null);
    }

    /** @param colour as {@code #rrggbb} */
    public static GroundMark colour(DepthLayer layer, String colour) {
        return new GroundMark(Kind.COLOUR, layer, 1, colour, null);
    }

    /** @param toMm depth that most roots reach, mm */
    public static GroundMark roots(double toMm, String indicator) {
        return new GroundMark(Kind.ROOTS, new DepthLayer(0, toMm), 1, null, indicator);
    }

    /** @param atMm depth at which the ground resists, mm */
    public static GroundMark pan(double atMm, String indicator) {
        return new GroundMark(Kind.PAN, new DepthLayer(atMm, atMm), 1, null, indicator);
    }

    /** @param fromMm depth at which water stands, mm */
    public static GroundMark water(double fromMm) {
        return new GroundMark(Kind.WATER, new DepthLayer(fromMm, DepthLayer.DEEPEST_MM), 1, null, null);
    }

    /** @param amount a share of 0..1, or a number of worms */
    public static GroundMark of(Kind kind, DepthLayer layer, double amount) {
        return new GroundMark(kind, layer, amount, null, null);
    }
}
