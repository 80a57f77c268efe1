package org.morphotera.server.photos;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.PhotoKinds;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.PhotoReadings;
import org.morphotera.core.photo.Picture;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Proposes readings from pictures, without keeping anything. */
@RestController
@RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
class PhotoReadingsController {

    static final int LARGEST_BYTES = 1024 * 1024;

    /**
     * The body, as described to clients; it is read as a plain tree so that every fault is named.
     *
     * @param image PNG or JPEG as base64, at most 1 MB and 12 million points; crumbs have {@code before} and {@code after}
     */
    record PhotoRequest(
            @Nullable String image,
            @Nullable String before,
            @Nullable String after,
            Map<String, Object> inputs) {}

    /**
     * The envelope of an evaluation, with readings of its method as they would be recorded.
     *
     * @param proposal what no picture tells is not among it
     */
    record PhotoProposal(
            String method,
            Map<String, Envelope.Figure> values,
            Map<String, Object> classes,
            List<Envelope.RatingText> ratings,
            List<Envelope.NoteText> notes,
            Map<String, List<Map<String, Object>>> series,
            List<Envelope.WorkingText> working,
            Map<String, Object> proposal) {}

    private final PhotoReadings kinds = PhotoKinds.all();
    private final Messages messages;
    private final JsonMapper json;

    PhotoReadingsController(Messages messages, JsonMapper json) {
        this.messages = messages;
        this.json = json;
    }

    @PostMapping("/api/photo-readings/{kind}")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(implementation = PhotoRequest.class)))
    PhotoProposal propose(@PathVariable String kind, HttpServletRequest request) throws IOException {
        PhotoReading<?> reading = kinds.of(kind);
        if (reading == null) {
            throw new NotFoundException("reading from pictures");
        }
        Object body = json.readValue(request.getInputStream().readAllBytes(), Object.class);
        if (!(body instanceof Map<?, ?> parts)) {
            throw refused(List.of(new Fault("", "TYPE", Map.of("wanted", "an object with a picture and inputs"))));
        }
        List<Fault> faults = new ArrayList<>();
        Map<String, Object> inputs = new LinkedHashMap<>();
        if (parts.get("inputs") instanceof Map<?, ?> given) {
            given.forEach((name, value) -> inputs.put(String.valueOf(name), value));
        } else if (parts.get("inputs") != null) {
            faults.add(new Fault("inputs", "TYPE", Map.of("wanted", "an object")));
        }
        List<Picture> pictures = new ArrayList<>();
        List<Object> known = new ArrayList<>(reading.pictures());
        known.add("inputs");
        for (Object name : parts.keySet()) {
            if (!known.contains(name)) {
                faults.add(new Fault(String.valueOf(name), "UNKNOWN", Map.of("field", String.valueOf(name))));
            }
        }
        for (String name : reading.pictures()) {
            // beside the inputs or among them
            Object among = inputs.remove(name);
            Object sent = parts.get(name) == null ? among : parts.get(name);
            String fault = take(sent, pictures);
            if (fault != null) {
                faults.add(new Fault(name, fault, Map.of()));
            }
        }
        if (!faults.isEmpty()) {
            throw refused(faults);
        }
        PhotoReading.Answer answer = kinds.propose(kind, inputs, pictures);
        if (answer instanceof PhotoReading.Answer.Proposed proposed) {
            return shown(Envelope.of(proposed.evaluation(), messages), proposed.readings());
        }
        throw refused(((PhotoReading.Answer.Refused) answer).faults());
    }

    /** Adds a picture that was sent; the code of a fault where it can't be. */
    private static @Nullable String take(@Nullable Object sent, List<Picture> pictures) {
        if (sent == null) {
            return "MISSING";
        }
        byte[] content;
        try {
            content = Base64.getMimeDecoder().decode(String.valueOf(sent).replaceFirst("^data:[a-z/]+;base64,", ""));
        } catch (IllegalArgumentException e) {
            return "PICTURE_TEXT";
        }
        if (content.length > LARGEST_BYTES) {
            return "PICTURE_LARGE";
        }
        try {
            pictures.add(Pictures.reduced(content));
            return null;
        } catch (RefusedException e) {
            return e.faults().get(0).code().equals("TOO_LARGE") ? "PICTURE_LARGE" : "PICTURE_READ";
        }
    }

    private RefusedException refused(List<Fault> faults) {
        return new RefusedException(FaultText.of(faults, messages));
    }

    private static PhotoProposal shown(Envelope envelope, Map<String, Object> readings) {
        return new PhotoProposal(
                envelope.method(),
                envelope.values(),
                envelope.classes(),
                envelope.ratings(),
                envelope.notes(),
                envelope.series(),
                envelope.working(),
                readings);
    }
}
