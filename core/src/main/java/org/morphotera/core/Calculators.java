package org.morphotera.core;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.calibration.Agreement;
import org.morphotera.core.day.DayPlan;
import org.morphotera.core.judgement.FieldModelCalculator;
import org.morphotera.core.laboratory.Composite;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.plan.calculator.Amendments;
import org.morphotera.core.weather.SamplingWindows;

/** The list of calculators, but for what needs geometry: placement adds that on a server. */
public final class Calculators {

    private Calculators() {}

    /** Those that run anywhere, the page without signal among it. */
    public static CalculatorRegistry ofPage(MethodRegistry methods) {
        return new CalculatorRegistry(list(methods));
    }

    /** The same as a list, for a registry that knows more. */
    public static List<Calculator<?>> list(MethodRegistry methods) {
        List<Calculator<?>> calculators = new ArrayList<>(Amendments.all());
        calculators.add(new DayPlan(methods));
        calculators.add(new SamplingWindows());
        calculators.add(new Composite());
        calculators.add(new Agreement());
        calculators.add(new FieldModelCalculator());
        return calculators;
    }
}
