package org.morphotera.server.fields;

import java.util.UUID;

/** A grower was written, in the transaction that is under way. */
public record GrowerChanged(UUID practice, UUID grower) {}
