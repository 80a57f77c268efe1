package org.morphotera.server.measurements;

import java.util.UUID;

/** A test was recorded, in the transaction that is open: what was on its way to it is done with. */
public record DraftRecorded(UUID practiceId, UUID measurementId) {}
