package org.morphotera.server.measurements;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;

/** What a correction may correct. */
public final class Corrections {

    private Corrections() {}

    /**
     * @param old the measurement named, or {@code null} when the practice has none of that id
     * @return the measurement
     * @throws NotFoundException when there is none
     * @throws RefusedException when it is of another test or stop
     */
    public static StoredMeasurement require(@Nullable StoredMeasurement old, UUID stop, String method) {
        StoredMeasurement found = NotFoundException.require(old, "measurement");
        if (!found.stopId().equals(stop) || !found.method().equals(method)) {
            throw RefusedException.of(
                    "supersedes", "OTHER_TEST", "A correction must be of the same test at the same stop.");
        }
        return found;
    }
}
