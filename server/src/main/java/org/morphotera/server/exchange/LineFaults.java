package org.morphotera.server.exchange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import org.morphotera.core.reading.FaultText;
import org.morphotera.server.web.RefusedException;

/** Faults of a file by the line or part they are in, told in the order of the file, as many as somebody would read. */
public final class LineFaults {

    private static final int MOST = 200;

    private record At(long number, FaultText fault) {}

    private final List<At> faults = new ArrayList<>();
    private long more;

    /** @param column empty where it is the line as a whole */
    public void add(long line, String column, String message) {
        add(line, new FaultText("line " + line + (column.isEmpty() ? "" : ", " + column), "LINE", message));
    }

    /** In a file without lines: of its feature, counted from 0. */
    public void addFeature(int number, String part, String message) {
        String place = "features[" + number + "]" + (part.isEmpty() ? "" : ", " + part);
        add(number, new FaultText(place, "LINE", message));
    }

    private void add(long number, FaultText fault) {
        if (faults.size() < MOST) {
            faults.add(new At(number, fault));
        } else {
            more++;
        }
    }

    public boolean none() {
        return faults.isEmpty();
    }

    /** Whether a line has a fault already. */
    public boolean has(long line) {
        return faults.stream().anyMatch(each -> each.number() == line);
    }

    /** In the order of the file; the last says how many more there are, if there are. */
    public List<FaultText> list() {
        List<FaultText> list = faults.stream()
                .sorted(Comparator.comparingLong(At::number))
                .map(At::fault)
                .collect(Collectors.toCollection(ArrayList::new));
        if (more > 0) {
            list.add(new FaultText("", "MORE", "And " + more + " more. Mend these first."));
        }
        return list;
    }

    /** @throws RefusedException naming them all, when there are any */
    void refuse() {
        if (!none()) {
            throw new RefusedException(list());
        }
    }
}
