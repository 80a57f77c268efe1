package org.morphotera.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Gathers every fault of one set of readings. */
public final class Faults {

    private final List<Fault> found = new ArrayList<>();

    public void add(String field, String code, Map<String, Object> args) {
        found.add(new Fault(field, code, args));
    }

    public void add(String field, String code) {
        add(field, code, Map.of());
    }

    void addAll(List<Fault> faults) {
        found.addAll(faults);
    }

    public boolean isEmpty() {
        return found.isEmpty();
    }

    public List<Fault> found() {
        return List.copyOf(found);
    }
}
