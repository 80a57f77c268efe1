package org.morphotera.core.simulate;

/** What of a made-up soil shows in a pit. */
public record SimulatedPit(
        double structure, double ph, double deepPh, double ece, double grey, double panDepth, String topMoisture) {}
