package org.morphotera.training;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.text.Messages;

/** What all of a round needs besides its place. */
record TrainingTools(MethodRegistry methods, Benchmarks benchmarks, EvidenceTables evidence, Messages messages) {

    /** The tests that are offered: those that tell of limits, and those that tell the texture. */
    List<FieldMethod<?>> offered() {
        Set<String> telling = new TreeSet<>();
        evidence.kinds().forEach(kind -> telling.add(kind.method()));
        List<FieldMethod<?>> offered = new ArrayList<>();
        for (FieldMethod<?> method : methods.all()) {
            if (telling.contains(method.card().id()) || method.card().contextClass() != null) {
                offered.add(method);
            }
        }
        return offered;
    }

    /** The layers a test is made in; one {@code null} for what lies above the ground. */
    List<DepthLayer> layers(FieldMethod<?> method) {
        List<DepthLayer> layers = new ArrayList<>(method.layers());
        if (layers.isEmpty()) {
            layers.add(null);
        }
        return layers;
    }

    /** Work in all its layers. */
    int minutes(FieldMethod<?> method) {
        return method.card().handsOnMinutes() * layers(method).size();
    }
}
