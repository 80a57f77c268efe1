package org.morphotera.core.schedule;

import java.util.List;
import org.morphotera.core.soil.Coded;

/** Sets of tests that many walks are made of; titles stand in the message catalogue under {@code walk.set.CODE}. */
public enum WalkSet implements Coded {
    /** One of each kind, in about an hour: what most fields are judged by. */
    TEN_TESTS(List.of(
            "ground-cover",
            "penetration",
            "ring-infiltration",
            "structure",
            "earthworms",
            "roots",
            "texture-feel",
            "crumb-stability",
            "ph",
            "salinity")),
    /** Where the water goes. */
    DRAINAGE_ONLY(List.of("ring-infiltration", "hole-drainage", "texture-feel", "mottling")),
    /** Quick tests, the same at both, minutes apart. */
    POOR_AND_GOOD_PATCH(
            List.of("penetration", "structure", "earthworms", "roots", "crumb-stability", "ph", "salinity"));

    private final List<String> methods;

    WalkSet(List<String> methods) {
        this.methods = methods;
    }

    /** Ids of its methods, in the order of the work. */
    public List<String> methods() {
        return methods;
    }
}
