package org.morphotera.server.laboratory;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/** Where answers come from, where a laboratory can be asked for them; a file by hand otherwise. */
interface LaboratoryAnswers {

    /** When the answer to what was sent at some moment is there. */
    Instant readyAt(Instant sentAt);

    /**
     * The file as the laboratory writes it.
     *
     * @param faulty with two lines as they come now and then: a bag that there is not, and a word for a figure
     */
    String file(UUID practice, List<LaboratoryMapper.BagRow> bags, boolean faulty);
}
