package org.morphotera.core.plan.order;

import java.time.LocalDate;
import org.morphotera.core.soil.Coded;

/**
 * What can be done about a constraint, in the order in which it is done: drainage first, gypsum before or with
 * leaching, loosening before cover roots, lime before legumes.
 */
public enum ActionKind implements Coded {
    CONFIRM(null, 0),
    SURFACE_OUTLETS(null, 12),
    DRAIN("drain-spacing", 12),
    LIME("lime", 12),
    SULFUR("sulfur", 12),
    GYPSUM("gypsum", 12),
    LEACH("leaching", 12),
    LOOSEN("subsoiling", 12),
    COVER_CROP("cover-crop", 12),
    COMPOST("organic-matter", 24),
    FERTILISE("nutrient-need", 12),
    TOLERANT_CROPS(null, 0),
    LESS_NITROGEN(null, 2),
    NITROGEN_OR_PATIENCE(null, 1),
    KEEP_COVERED(null, 12),
    LIVE_WITH_IT(null, 0);

    private final String calculator;
    private final int retestMonths;

    ActionKind(String calculator, int retestMonths) {
        this.calculator = calculator;
        this.retestMonths = retestMonths;
    }

    /**
     * When to test whether it worked: lime and salt after a year, structure and life after one or two, nitrogen within
     * weeks.
     *
     * @param doneOn when it was done, or is to be done
     * @return {@code null} where there is nothing to test
     */
    public LocalDate retestOn(LocalDate doneOn) {
        return retestMonths == 0 ? null : doneOn.plusMonths(retestMonths);
    }

    /** After how many months to test whether it worked; 0 where there is nothing to test. */
    public int retestMonths() {
        return retestMonths;
    }

    /** The calculator that gives its amount; {@code null} where there is nothing to calculate. */
    public String calculator() {
        return calculator;
    }
}
