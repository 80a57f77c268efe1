package org.morphotera.server.measurements;

import java.util.Map;
import org.morphotera.core.result.Envelope;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Between rows with JSON text and the records that leave the server. */
@Component
public class StoredForm {

    /** Characters of a text as JSON that a row has room for. */
    public static final int LONGEST = 200_000;

    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};

    private final JsonMapper json;

    StoredForm(JsonMapper json) {
        this.json = json;
    }

    public String text(Object value) {
        return json.writeValueAsString(value);
    }

    /** A tree as it was stored. */
    public Map<String, Object> tree(String text) {
        return json.readValue(text, TREE);
    }

    public Measurement measurement(StoredMeasurement row) {
        return new Measurement(
                row.id(),
                row.fieldId(),
                row.visitId(),
                row.stopId(),
                row.method(),
                row.depthTopMm(),
                row.depthBottomMm(),
                json.readValue(row.readings(), TREE),
                json.readValue(row.context(), TREE),
                json.readValue(row.evaluation(), Envelope.class),
                row.coreVersion(),
                row.benchmarks(),
                row.takenAt(),
                row.person(),
                row.supersedes(),
                row.supersededBy(),
                row.reason(),
                row.note(),
                row.recordedAt());
    }
}
