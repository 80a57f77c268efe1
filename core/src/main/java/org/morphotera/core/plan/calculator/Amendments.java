package org.morphotera.core.plan.calculator;

import java.util.List;
import org.morphotera.core.calculator.Calculator;

/** The calculators of amendment and management. */
public final class Amendments {

    private Amendments() {}

    /** All of them, in the order of the Bench. */
    public static List<Calculator<?>> all() {
        return List.of(
                new Lime(),
                new Sulfur(),
                new Gypsum(),
                new Leaching(),
                new OrganicMatter(),
                new DrainSpacing(),
                new RainGarden(),
                new Irrigation(),
                new CoverCrop(),
                new Subsoiling(),
                new Nutrients(),
                new NutrientNeed());
    }
}
