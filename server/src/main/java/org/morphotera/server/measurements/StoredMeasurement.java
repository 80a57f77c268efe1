package org.morphotera.server.measurements;

import java.time.Instant;
import java.util.UUID;

/** A measurement as its row: readings, context and evaluation as JSON text. */
public record StoredMeasurement(
        UUID id,
        UUID fieldId,
        UUID visitId,
        UUID stopId,
        String method,
        Double depthTopMm,
        Double depthBottomMm,
        String readings,
        String context,
        String evaluation,
        String coreVersion,
        String benchmarks,
        Instant takenAt,
        String person,
        UUID supersedes,
        UUID supersededBy,
        String reason,
        String note,
        Instant recordedAt) {}
