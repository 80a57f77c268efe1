package org.morphotera.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Gathers every fault of one set of readings. */
public final class Faults {

    private final List<Fault> found = new ArrayList<>();

    /**
     * @param field path relative to the readings; {@code ""} for the whole
     * @param code whose text is {@code fault.CODE}
     * @param args placeholders of the text
     */
    public void add(String field, String code, Map<String, Object> args) {
        found.add(new Fault(field, code, args));
    }

    /** A fault whose text has no placeholders. */
    public void add(String field, String code) {
        add(field, code, Map.of());
    }

    void addAll(List<Fault> faults) {
        found.addAll(faults);
    }

    /** Whether nothing was wrong so far. */
    public boolean isEmpty() {
        return found.isEmpty();
    }

    /** What was wrong so far, in the order of finding. */
    public List<Fault> found() {
        return List.copyOf(found);
    }
}
