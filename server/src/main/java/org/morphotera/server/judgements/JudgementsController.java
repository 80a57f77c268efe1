package org.morphotera.server.judgements;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.request.JudgementAnswer;
import org.morphotera.core.request.Judgements;
import org.morphotera.core.text.Messages;
import org.morphotera.placement.AllCalculators;
import org.morphotera.server.accounts.role.OpenToAll;
import org.morphotera.server.web.RefusedException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Judges a field that is sent whole: where it stands, what limits it, what changed, how its patches differ. */
@RestController
class JudgementsController {

    /** The body, as described to clients; it is read as a plain tree so that every fault is named. */
    record JudgementRequest(
            @Nullable String on,
            @Nullable String units,
            @Nullable String rules,
            Map<String, Object> field,
            List<Map<String, Object>> stops,
            List<Map<String, Object>> visits,
            @Nullable List<Map<String, Object>> events,
            @Nullable List<Map<String, Object>> products,
            @Nullable String from,
            @Nullable String to) {}

    private final Judgements judgements;
    private final CallsASecond calls;
    private final Messages messages;
    private final JsonMapper json;

    JudgementsController(
            MethodRegistry methods,
            Benchmarks benchmarks,
            EvidenceTables tables,
            Messages messages,
            JsonMapper json,
            CallsASecond calls) {
        this.judgements = new Judgements(methods, AllCalculators.of(methods), benchmarks, tables, messages);
        this.calls = calls;
        this.messages = messages;
        this.json = json;
    }

    @OpenToAll
    @PostMapping("/api/judgements")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(implementation = JudgementRequest.class)))
    JudgementAnswer judge(HttpServletRequest request) throws IOException {
        calls.count(request.getRemoteAddr());
        Object body = json.readValue(request.getInputStream().readAllBytes(), Object.class);
        Judgements.Result result = judgements.judge(body);
        if (result.answer() == null) {
            throw new RefusedException(FaultText.of(result.faults(), messages));
        }
        return result.answer();
    }
}
