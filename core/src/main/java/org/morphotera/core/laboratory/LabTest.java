package org.morphotera.core.laboratory;

import java.util.List;
import org.morphotera.core.soil.Coded;

/** What is asked of a laboratory, and the analytes of {@code lab-result} that its answer holds. */
public enum LabTest implements Coded {
    PH("ph-water", "ph-cacl2"),
    BUFFER_PH("buffer-ph"),
    ORGANIC_MATTER("organic-matter"),
    P("p"),
    K("k"),
    S("s"),
    CATIONS("cec", "ex-ca", "ex-mg", "ex-k", "ex-na", "ex-al", "mg"),
    ECE("ece"),
    NITRATE_N("nitrate-n");

    private final List<String> analytes;

    LabTest(String... analytes) {
        this.analytes = List.of(analytes);
    }

    /** Codes of the analytes that this test can answer with. */
    public List<String> analytes() {
        return analytes;
    }
}
