package org.morphotera.core.soil;

/** Texture classes grouped as benchmarks use them. */
public enum TextureGroup implements Coded {
    COARSE,
    MEDIUM,
    FINE
}
