package org.morphotera.core.plan;

import org.morphotera.core.soil.Coded;

/**
 * What can be done about a constraint, in the order in which it is done: drainage first, gypsum before or with
 * leaching, loosening before cover roots, lime before legumes.
 */
public enum ActionKind implements Coded {
    CONFIRM(null),
    DRAIN("drain-spacing"),
    LIME("lime"),
    GYPSUM("gypsum"),
    LEACH("leaching"),
    LOOSEN("subsoiling"),
    COVER_CROP("cover-crop"),
    COMPOST("organic-matter"),
    TOLERANT_CROPS(null),
    LESS_NITROGEN(null),
    NITROGEN_OR_PATIENCE(null),
    KEEP_COVERED(null);

    private final String calculator;

    ActionKind(String calculator) {
        this.calculator = calculator;
    }

    /** The calculator that gives its amount; {@code null} where there is nothing to calculate. */
    public String calculator() {
        return calculator;
    }
}
