package org.morphotera.server.exchange;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.reading.FaultText;
import org.morphotera.server.web.RefusedException;

/** Faults of a file by the line they are in, as many as somebody would read. */
final class LineFaults {

    private static final int MOST = 200;

    private final List<FaultText> faults = new ArrayList<>();
    private long more;

    void add(long line, String column, String message) {
        if (faults.size() < MOST) {
            faults.add(new FaultText("line " + line + (column.isEmpty() ? "" : ", " + column), "LINE", message));
        } else {
            more++;
        }
    }

    /** In a file without lines: of a part of it. */
    void addAt(String place, String message) {
        if (faults.size() < MOST) {
            faults.add(new FaultText(place, "LINE", message));
        } else {
            more++;
        }
    }

    boolean none() {
        return faults.isEmpty();
    }

    /** @throws RefusedException naming them all, when there are any */
    void refuse() {
        if (!faults.isEmpty()) {
            List<FaultText> all = new ArrayList<>(faults);
            if (more > 0) {
                all.add(new FaultText("", "MORE", "And " + more + " more. Mend these first."));
            }
            throw new RefusedException(all);
        }
    }
}
