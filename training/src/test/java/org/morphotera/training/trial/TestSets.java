package org.morphotera.training.trial;

import java.util.List;

/** Sets of tests in the order in which they are made on a fixed walk. */
public final class TestSets {

    public static final List<String> FULL = List.of(
            "ground-cover",
            "penetration",
            "ring-infiltration",
            "structure",
            "porosity",
            "smell",
            "mottling",
            "colour",
            "earthworms",
            "roots",
            "texture-feel",
            "crumb-stability",
            "ph",
            "salinity",
            "fizz",
            "nutrient-kit",
            "hole-drainage",
            "respiration",
            "lab-result");

    public static final List<String> TEN = List.of(
            "ground-cover",
            "penetration",
            "ring-infiltration",
            "structure",
            "earthworms",
            "roots",
            "texture-feel",
            "crumb-stability",
            "ph",
            "salinity");

    private TestSets() {}
}
