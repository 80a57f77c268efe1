package org.morphotera.core;

import java.util.List;

/** Names of the data files shipped under {@code morphotera/} beside these classes; the caller reads them. */
public final class DataFiles {

    /** In {@code morphotera/benchmarks/}. */
    public static final List<String> BENCHMARKS = List.of(
            "texture.txt",
            "water-movement.txt",
            "above-ground.txt",
            "strength-roots-worms.txt",
            "chemistry.txt",
            "scoring.txt",
            "plan.txt");

    /** In {@code morphotera/messages/}. */
    public static final List<String> MESSAGES = List.of(
            "en-common.txt",
            "en-conditions.txt",
            "en-hole-drainage.txt",
            "en-texture-feel.txt",
            "en-crumb-stability.txt",
            "en-above-ground.txt",
            "en-surface.txt",
            "en-block.txt",
            "en-water.txt",
            "en-chemistry.txt",
            "en-life.txt",
            "en-judgement.txt",
            "en-plan.txt",
            "en-constraints.txt",
            "en-actions.txt",
            "en-limits.txt");

    /** In {@code morphotera/evidence/}. */
    public static final List<String> EVIDENCE = List.of("evidence.txt");

    private DataFiles() {}
}
