package org.morphotera.core.soil;

/**
 * The twelve texture classes of the sand, silt and clay triangle (Soil Science Division Staff, 2017), in order of
 * the key that decides them.
 */
public enum TextureClass implements Coded {
    SAND(TextureGroup.COARSE),
    LOAMY_SAND(TextureGroup.COARSE),
    SANDY_LOAM(TextureGroup.COARSE),
    LOAM(TextureGroup.MEDIUM),
    SILT_LOAM(TextureGroup.MEDIUM),
    SILT(TextureGroup.MEDIUM),
    SANDY_CLAY_LOAM(TextureGroup.MEDIUM),
    CLAY_LOAM(TextureGroup.FINE),
    SILTY_CLAY_LOAM(TextureGroup.FINE),
    SANDY_CLAY(TextureGroup.FINE),
    SILTY_CLAY(TextureGroup.FINE),
    CLAY(TextureGroup.FINE);

    private final TextureGroup group;

    TextureClass(TextureGroup group) {
        this.group = group;
    }

    /** Coarse: the first three; medium: loam, silt loam, silt, sandy clay loam; fine: the rest. */
    public TextureGroup group() {
        return group;
    }

    /**
     * The class of a composition: first match in the key of the triangle (Soil Science Division Staff, 2017; the
     * inequalities after Gerakis and Baer, 1999). Lower bounds belong to a class, upper bounds do not, unless
     * written otherwise; every point of the triangle has exactly one class.
     */
    public static TextureClass of(Composition composition) {
        return of(composition.sandPct(), composition.siltPct(), composition.clayPct());
    }

    /** As {@link #of(Composition)}, without an object: for tens of thousands of draws. Shares in %, adding up to 100. */
    public static TextureClass of(double sand, double silt, double clay) {
        if (silt + 1.5 * clay < 15) {
            return SAND;
        }
        if (silt + 2 * clay < 30) {
            return LOAMY_SAND;
        }
        if (clay >= 7 && clay < 20 && sand > 52 || clay < 7 && silt < 50) {
            return SANDY_LOAM;
        }
        if (clay >= 7 && clay < 27 && silt >= 28 && silt < 50 && sand <= 52) {
            return LOAM;
        }
        if (silt >= 50 && clay >= 12 && clay < 27 || silt >= 50 && silt < 80 && clay < 12) {
            return SILT_LOAM;
        }
        if (silt >= 80 && clay < 12) {
            return SILT;
        }
        return ofClayRich(sand, silt, clay);
    }

    private static TextureClass ofClayRich(double sand, double silt, double clay) {
        if (clay >= 20 && clay < 35 && silt < 28 && sand > 45) {
            return SANDY_CLAY_LOAM;
        }
        if (clay >= 27 && clay < 40 && sand > 20 && sand <= 45) {
            return CLAY_LOAM;
        }
        if (clay >= 27 && clay < 40 && sand <= 20) {
            return SILTY_CLAY_LOAM;
        }
        if (clay >= 35 && sand > 45) {
            return SANDY_CLAY;
        }
        if (clay >= 40 && silt >= 40) {
            return SILTY_CLAY;
        }
        return CLAY;
    }
}
