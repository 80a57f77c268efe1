package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;

/** The five bands of a core strip, from the sky down. */
public enum DepthBand implements Coded {
    ABOVE_GROUND(0, 0),
    TOP_0_100(0, 100),
    MID_100_200(100, 200),
    LOW_200_300(200, 300),
    BELOW_300(300, DepthLayer.DEEPEST_MM);

    /** Looked through for every reading; a copy of them each time would be most of the work. */
    private static final DepthBand[] ALL = values();

    private final DepthLayer layer;

    DepthBand(double topMm, double bottomMm) {
        this.layer = new DepthLayer(topMm, bottomMm);
    }

    /** Where the band begins, mm below the surface. */
    public double topMm() {
        return layer.topMm();
    }

    /** Where the band ends, mm below the surface. */
    public double bottomMm() {
        return layer.bottomMm();
    }

    /** The band in which the middle of a layer lies; above ground for what has no layer. */
    public static DepthBand ofMiddle(DepthLayer sampled) {
        if (sampled == null) {
            return ABOVE_GROUND;
        }
        double middle = (sampled.topMm() + sampled.bottomMm()) / 2;
        for (DepthBand band : ALL) {
            if (middle < band.layer.bottomMm()) {
                return band;
            }
        }
        return BELOW_300;
    }

    /** The bands that a layer speaks for: those it covers by half of their first 100 mm, and that of its middle. */
    public static List<DepthBand> spannedBy(DepthLayer sampled) {
        List<DepthBand> bands = new ArrayList<>(ALL.length);
        DepthBand middle = ofMiddle(sampled);
        for (DepthBand band : ALL) {
            boolean half = sampled != null && band != ABOVE_GROUND && band.layer.overlapMm(sampled) >= 50;
            if (band == middle || half) {
                bands.add(band);
            }
        }
        return bands;
    }
}
