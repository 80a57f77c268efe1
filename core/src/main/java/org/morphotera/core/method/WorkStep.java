package org.morphotera.core.method;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;

/**
 * A step of the work at the stop.
 *
 * @param code of the step
 * @param minutes of hands-on work
 * @param leastWaitMin minutes to wait since the end of the step before, at least; 0 on the first step
 * @param mostWaitMin minutes to wait at most; 0 on the first step
 */
public record WorkStep(String code, double minutes, double leastWaitMin, double mostWaitMin) {

    /** Rain water that a test at one stop takes, litres; {@code null} where it takes none. */
    static Double waterLitres(String method, Benchmarks benchmarks) {
        Table water = benchmarks.table("day.water");
        return water.has(method) ? water.at(method, "litres") : null;
    }

    /**
     * The steps of a method's work with the waits between them: the table {@code work.<id>} of the benchmarks, or one step
     * of the card's minutes where there is none.
     */
    public static List<WorkStep> of(MethodCard card, Benchmarks benchmarks) {
        String id = "work." + card.id();
        if (!benchmarks.hasTable(id)) {
            return List.of(new WorkStep(card.id(), card.handsOnMinutes(), 0, 0));
        }
        Table table = benchmarks.table(id);
        List<WorkStep> steps = new ArrayList<>();
        for (String code : table.rows().keySet()) {
            steps.add(new WorkStep(code, table.at(code, "minutes"), table.at(code, "least"), table.at(code, "most")));
        }
        return steps;
    }
}
