package org.morphotera.placement;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.Calculators;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.MethodRegistry;

/** Every calculator: on a server also what needs a geometry library that is too heavy for a phone. */
public final class AllCalculators {

    private AllCalculators() {}

    public static CalculatorRegistry of(MethodRegistry methods) {
        List<Calculator<?>> calculators = new ArrayList<>(Calculators.list(methods));
        calculators.add(new StopPlacement());
        return new CalculatorRegistry(calculators);
    }
}
