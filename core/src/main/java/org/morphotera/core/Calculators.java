package org.morphotera.core;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.day.DayPlan;
import org.morphotera.core.laboratory.Composite;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.places.StopPlacement;
import org.morphotera.core.plan.Amendments;
import org.morphotera.core.practice.Agreement;
import org.morphotera.core.weather.SamplingWindows;

/** The one list of all calculators. */
public final class Calculators {

    private Calculators() {}

    /** Those that run anywhere, the page without signal among it. */
    public static CalculatorRegistry ofPage(MethodRegistry methods) {
        return new CalculatorRegistry(everywhere(methods));
    }

    /** All of them: on a server also what needs a geometry library that is too heavy for a phone. */
    public static CalculatorRegistry all(MethodRegistry methods) {
        List<Calculator<?>> calculators = everywhere(methods);
        calculators.add(new StopPlacement());
        return new CalculatorRegistry(calculators);
    }

    private static List<Calculator<?>> everywhere(MethodRegistry methods) {
        List<Calculator<?>> calculators = new ArrayList<>(Amendments.all());
        calculators.add(new DayPlan(methods));
        calculators.add(new SamplingWindows());
        calculators.add(new Composite());
        calculators.add(new Agreement());
        return calculators;
    }
}
