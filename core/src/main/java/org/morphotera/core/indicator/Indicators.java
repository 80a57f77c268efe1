package org.morphotera.core.indicator;

import java.util.List;

/** The one list of all indicators, in the order in which sheets and functions name them. */
public final class Indicators {

    private static final List<String> ALL = List.of(
            "sward",
            "leaf-colour",
            "crop-vigour",
            "sap",
            "sap-brix",
            "sap-conductivity",
            "sap-ph",
            "structure",
            "compaction",
            "porosity",
            "dispersion",
            "slump",
            "earthworms",
            "surface-life",
            "rooting",
            "slaking",
            "colour",
            "mottling",
            "infiltration",
            "infiltration-at-200",
            "drainage",
            "ground-cover",
            "smell",
            "respiration",
            "microbial-biomass",
            "organic-matter",
            "rootable-water",
            "finger-stain",
            "ph",
            "salinity",
            "sodicity",
            "nitrogen",
            "phosphorus",
            "potassium",
            "free-lime");

    private Indicators() {}

    /** Their ids. */
    public static List<String> all() {
        return ALL;
    }

    /** Where an indicator's data files lie among the resources of this package. */
    public static String folder(String id) {
        return id.replace("-", "");
    }
}
