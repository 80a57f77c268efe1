package org.morphotera.server.fields;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.text.Messages;
import org.morphotera.placement.FieldShapes;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The shapes of a field as they are sent and kept: the text of GeoJSON (RFC 7946) in longitude and latitude. */
@Component
class Boundary {

    private final JsonMapper json;
    private final Messages messages;

    Boundary(JsonMapper json, Messages messages) {
        this.json = json;
        this.messages = messages;
    }

    /** @throws RefusedException when one of the shapes can't be used, naming it */
    void check(Field.Write body) {
        check(body.boundary(), body.zones(), body.avoid());
    }

    void check(@Nullable String boundary, @Nullable String zones, @Nullable String avoid) {
        List<Fault> faults = FieldShapes.faults(tree(boundary, "boundary"), tree(zones, "zones"), tree(avoid, "avoid"));
        if (!faults.isEmpty()) {
            throw new RefusedException(FaultText.of(faults, messages));
        }
    }

    private @Nullable Object tree(@Nullable String text, String field) {
        if (text == null) {
            return null;
        }
        try {
            Object tree = json.readValue(text, Object.class);
            return tree == null ? "" : tree;
        } catch (JacksonException e) {
            throw RefusedException.of(field, "NOT_GEOJSON", messages.text("fault.NOT_GEOJSON"));
        }
    }
}
