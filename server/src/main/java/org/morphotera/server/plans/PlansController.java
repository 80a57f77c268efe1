package org.morphotera.server.plans;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.text.Messages;
import org.morphotera.placement.AllCalculators;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.viewcache.ViewCache;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Plans of fields, and the products of a practice. */
@RestController
@RequiresRole(Role.ADVISOR)
class PlansController {

    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};

    private final FieldPlans plans;
    private final AccessScope scope;
    private final ViewCache kept;
    private final PlanMapper rows;
    private final JsonMapper json;
    private final Audit audit;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final CalculatorRegistry calculators = AllCalculators.of(Methods.all());

    PlansController(
            FieldPlans plans,
            PlanMapper rows,
            JsonMapper json,
            Audit audit,
            Benchmarks benchmarks,
            Messages messages,
            AccessScope scope,
            ViewCache kept) {
        this.kept = kept;
        this.scope = scope;
        this.plans = plans;
        this.rows = rows;
        this.json = json;
        this.audit = audit;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping("/api/fields/{id}/plan")
    FieldPlan.PlanView plan(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        scope.requireField(who, id);
        return kept.of(FieldPlan.PlanView.class, who.practiceId(), id, () -> plans.plan(who.practiceId(), id));
    }

    @PutMapping("/api/actions/{id}")
    Action putAction(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Action.Write body) {
        return plans.put(who, id, body);
    }

    @DeleteMapping("/api/actions/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteAction(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        plans.delete(who, id);
    }

    @GetMapping("/api/products")
    List<Product> products(@AuthenticationPrincipal Advisor who) {
        return rows.products(who.practiceId()).stream().map(this::product).toList();
    }

    @PutMapping("/api/products/{id}")
    @Transactional
    Product putProduct(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Product.Write body) {
        if (!calculators.has(body.calculator())) {
            throw RefusedException.of("calculator", "NO_SUCH_CALCULATOR", "Name one of the calculators.");
        }
        List<Fault> faults = calculators.productFaults(body.calculator(), body.inputs(), benchmarks);
        if (!faults.isEmpty()) {
            throw new RefusedException(FaultText.of(faults, messages).stream()
                    .map(each -> new FaultText("inputs." + each.field(), each.code(), each.message()))
                    .toList());
        }
        PlanMapper.ProductRow sent = new PlanMapper.ProductRow(
                id, body.name().strip(), body.calculator(), json.writeValueAsString(body.inputs()), body.version() + 1);
        audit.note(who, "put", "product", id, sent.name());
        return product(Versioned.write(
                sent,
                rows.product(who.practiceId(), id),
                PlanMapper.ProductRow::version,
                () -> rows.insertProduct(who.practiceId(), sent),
                () -> rows.updateProduct(who.practiceId(), sent),
                "product"));
    }

    @DeleteMapping("/api/products/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void deleteProduct(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        PlanMapper.ProductRow row = audit.toRemove(who, rows.product(who.practiceId(), id), "product", id);
        if (row != null) {
            rows.deleteProduct(who.practiceId(), id);
            audit.note(who, "delete", "product", id, row.name());
        }
    }

    private Product product(PlanMapper.ProductRow row) {
        return new Product(row.id(), row.name(), row.calculator(), json.readValue(row.inputs(), TREE), row.version());
    }
}
