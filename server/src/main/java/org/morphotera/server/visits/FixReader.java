package org.morphotera.server.visits;

import java.util.List;
import java.util.UUID;

/** What others may read of fixes. */
public interface FixReader {

    String COLUMNS = "id, visit_id, stop_id, longitude, latitude, accuracy_m, taken_at";

    /** The fixes of a visit in the order of standing. */
    List<Fix> fixesOf(UUID practice, UUID visit);
}
