package org.morphotera.server.visits;

import java.util.UUID;

/** A visit is about to be taken away, within the transaction that does it. */
public record VisitGone(UUID practice, UUID field, UUID visit) {}
