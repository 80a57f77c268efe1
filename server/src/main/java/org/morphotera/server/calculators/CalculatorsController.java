package org.morphotera.server.calculators;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.morphotera.core.Calculators;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.Catalogue;
import org.morphotera.core.method.Catalogue.ReadingEntry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;
import org.morphotera.placement.AllCalculators;
import org.morphotera.server.accounts.role.OpenToAll;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Lists the calculators and works inputs out without storing anything. */
@RestController
@RequiresRole(Role.ADVISOR)
class CalculatorsController {

    /**
     * A calculator with its inputs.
     *
     * @param ofProduct names of the inputs that belong to the product as bought
     * @param inPage whether the page's own copy of the core works it out too, without signal
     * @param labels names of its values and classes
     */
    record CalculatorEntry(
            String id,
            String title,
            String purpose,
            List<ReadingEntry> inputs,
            List<String> ofProduct,
            boolean inPage,
            Map<String, String> labels) {}

    /** The body of a calculation, as described to clients; it is read as a plain tree so that every fault is named. */
    record PlanRequest(Map<String, Object> inputs) {}

    private final CalculatorRegistry ofPage = Calculators.ofPage(Methods.all());
    private final CalculatorRegistry calculators = AllCalculators.of(Methods.all());
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final JsonMapper json;
    private final List<CalculatorEntry> entries;

    CalculatorsController(Benchmarks benchmarks, Messages messages, JsonMapper json) {
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.json = json;
        this.entries = calculators.all().stream().map(this::entry).toList();
    }

    private CalculatorEntry entry(Calculator<?> calculator) {
        String id = calculator.id();
        Map<String, String> labels = messages.under(id + ".value.");
        labels.putAll(messages.under(id + ".class."));
        return new CalculatorEntry(
                id,
                messages.text(id + ".title"),
                messages.text(id + ".purpose"),
                Catalogue.inputs(calculator::read, id, messages),
                calculator.ofProduct(),
                ofPage.has(id),
                labels);
    }

    @OpenToAll
    @GetMapping("/api/calculators")
    List<CalculatorEntry> calculators() {
        return entries;
    }

    @OpenToAll
    @PostMapping("/api/calculators/{id}")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(implementation = PlanRequest.class)))
    Envelope workOut(@PathVariable String id, HttpServletRequest request) throws IOException {
        if (!calculators.has(id)) {
            throw new NotFoundException("calculator");
        }
        Object body = json.readValue(request.getInputStream().readAllBytes(), Object.class);
        Outcome outcome = calculators.evaluate(id, body, benchmarks);
        if (outcome instanceof Outcome.Evaluated done) {
            return Envelope.of(done.evaluation(), messages);
        }
        throw new RefusedException(FaultText.of(((Outcome.Refused) outcome).faults(), messages));
    }
}
