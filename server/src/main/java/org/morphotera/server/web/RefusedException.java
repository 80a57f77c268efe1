package org.morphotera.server.web;

import java.util.List;
import org.morphotera.core.reading.FaultText;

/** Input that can't be used; answers 422 and names every fault. */
public class RefusedException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<FaultText> faults;

    public RefusedException(List<FaultText> faults) {
        super("refused: " + faults);
        this.faults = faults;
    }

    public static RefusedException of(String field, String code, String message) {
        return new RefusedException(List.of(new FaultText(field, code, message)));
    }

    public List<FaultText> faults() {
        return faults;
    }
}
