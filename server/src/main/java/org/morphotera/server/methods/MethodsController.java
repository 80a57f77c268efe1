package org.morphotera.server.methods;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Catalogue;
import org.morphotera.core.method.Catalogue.MethodEntry;
import org.morphotera.core.method.Catalogue.OptionEntry;
import org.morphotera.core.method.Catalogue.ReadingEntry;
import org.morphotera.core.method.Catalogue.UnitEntry;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.OpenToAll;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.NotFoundException;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Lists the methods and evaluates readings without storing anything. */
@RestController
@RequiresRole(Role.ADVISOR)
class MethodsController {

    /** What the page's copy of the core needs, and the words and units of the catalogue. */
    record CoreData(
            Map<String, String> benchmarks,
            Map<String, String> messages,
            Map<String, String> evidence,
            List<ReadingEntry> context,
            List<UnitEntry> units,
            List<OptionEntry> stopRoles) {}

    /** The body of an evaluation, as described to clients; it is read as a plain tree so that every fault is named. */
    record EvaluationRequest(
            Map<String, Object> readings, @Nullable Map<String, Object> context) {}

    private final Evaluator evaluator;
    private final JsonMapper json;
    private final List<MethodEntry> entries;
    private final CoreData coreData;
    private final OwnRules own;

    MethodsController(
            Evaluator evaluator,
            JsonMapper json,
            MethodRegistry methods,
            Messages messages,
            Benchmarks benchmarks,
            CoreFiles.CoreTexts texts,
            OwnRules own) {
        this.own = own;
        this.evaluator = evaluator;
        this.json = json;
        this.entries = methods.all().stream()
                .map(method -> Catalogue.entry(method, messages, benchmarks))
                .toList();
        List<OptionEntry> roles = Stream.of(StopRole.values())
                .map(role -> new OptionEntry(role.code(), messages.text("stop-role." + role.code())))
                .toList();
        this.coreData = new CoreData(
                texts.benchmarks(),
                texts.messages(),
                texts.evidence(),
                Catalogue.context(messages),
                Catalogue.units(),
                roles);
    }

    @OpenToAll
    @GetMapping("/api/methods")
    List<MethodEntry> methods() {
        return entries;
    }

    @OpenToAll
    @GetMapping("/api/methods/{id}")
    MethodEntry one(@PathVariable String id) {
        return NotFoundException.require(
                entries.stream()
                        .filter(entry -> entry.id().equals(id))
                        .findFirst()
                        .orElse(null),
                "method");
    }

    /** With the own benchmarks of the practice of whoever is signed in. */
    @OpenToAll
    @GetMapping("/api/core-data")
    CoreData coreData(@AuthenticationPrincipal @Nullable Advisor who) {
        return who == null
                ? coreData
                : new CoreData(
                        own.texts(who.practiceId()),
                        coreData.messages(),
                        coreData.evidence(),
                        coreData.context(),
                        coreData.units(),
                        coreData.stopRoles());
    }

    @OpenToAll
    @PostMapping("/api/methods/{id}/evaluate")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(implementation = EvaluationRequest.class)))
    Envelope evaluate(@PathVariable String id, HttpServletRequest request) throws IOException {
        // an unknown method is said before anything about the body, which is read whatever type it claims to be
        one(id);
        return evaluator.evaluate(id, json.readValue(request.getInputStream().readAllBytes(), Object.class));
    }
}
