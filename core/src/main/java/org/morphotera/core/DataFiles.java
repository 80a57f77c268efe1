package org.morphotera.core;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.indicator.Indicators;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;

/**
 * The data files that ship beside these classes, as resource paths: what methods share lies under {@code morphotera/},
 * each indicator's texts and benchmarks in its folder, and each method's own beside its class. The caller reads them: the core reads nothing.
 */
public final class DataFiles {

    private static final String METHODS = "/org/morphotera/core/method/";
    private static final String INDICATORS = "/org/morphotera/core/indicator/";

    private static final List<String> SHARED_BENCHMARKS = List.of(
            "/morphotera/benchmarks/texture.txt",
            "/morphotera/benchmarks/water-movement.txt",
            "/morphotera/benchmarks/chemistry.txt",
            "/morphotera/benchmarks/scoring.txt",
            "/morphotera/benchmarks/plan.txt",
            "/morphotera/benchmarks/days.txt",
            "/morphotera/benchmarks/laboratory.txt");

    private static final List<String> SHARED_MESSAGES = List.of(
            "/morphotera/messages/en-common.txt",
            "/morphotera/messages/en-conditions.txt",
            "/morphotera/messages/en-judgement.txt",
            "/morphotera/messages/en-plan.txt",
            "/morphotera/messages/en-day.txt",
            "/morphotera/messages/en-model.txt",
            "/morphotera/messages/en-laboratory.txt",
            "/morphotera/messages/en-training.txt",
            "/morphotera/messages/en-photos.txt",
            "/morphotera/messages/en-constraints.txt",
            "/morphotera/messages/en-actions.txt",
            "/morphotera/messages/en-limits.txt");

    private DataFiles() {}

    /** Curves, bands and tables: the shared files, then each indicator's, then each method's own in the registry's order. */
    public static List<String> benchmarks(MethodRegistry methods) {
        return withOwn(SHARED_BENCHMARKS, methods, "benchmarks.txt");
    }

    /** Texts: the shared files, then each indicator's, then each method's own in the registry's order. */
    public static List<String> messages(MethodRegistry methods) {
        return withOwn(SHARED_MESSAGES, methods, "texts.txt");
    }

    /** What findings say of constraints. */
    public static List<String> evidence() {
        return List.of("/morphotera/evidence/evidence.txt");
    }

    private static List<String> withOwn(List<String> shared, MethodRegistry methods, String name) {
        List<String> paths = new ArrayList<>(shared);
        for (String indicator : Indicators.all()) {
            paths.add(INDICATORS + Indicators.folder(indicator) + "/" + name);
        }
        for (FieldMethod<?> method : methods.all()) {
            paths.add(METHODS + method.card().folder() + "/" + name);
        }
        return paths;
    }
}
