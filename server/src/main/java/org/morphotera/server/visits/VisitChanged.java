package org.morphotera.server.visits;

import java.util.UUID;

/** A visit, or a test made on it, was written, in the transaction that is under way. */
public record VisitChanged(UUID practice, UUID field, UUID visit) {}
