package org.morphotera.server.rules;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.jobs.Job;
import org.morphotera.server.jobs.Jobs;
import org.morphotera.server.methods.OwnRules;
import org.morphotera.server.methods.OwnRulesForm.Rule;
import org.morphotera.server.projections.ProjectionRebuild;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Curves and bands of a practice's own. */
@RestController
@RequiresRole(Role.OWNER)
class OwnRulesController {

    /**
     * The curves and bands by which a practice judges.
     *
     * @param version 0 where there never were own ones
     * @param shared those that ship, or that the server has for all
     * @param own those in their place
     */
    @Schema(name = "OwnRules")
    record RulesView(int version, @Nullable Instant changedAt, List<Rule> shared, List<Rule> own) {}

    /** All own ones: those left out are again as they ship. */
    @Schema(name = "OwnRulesWrite")
    record RulesWrite(@NotNull @Valid @Size(max = 100) List<@NotNull Rule> rules, int version) {}

    private final OwnRules own;
    private final RulesPreview preview;
    private final ProjectionRebuild rebuild;
    private final Jobs jobs;
    private final Audit audit;
    private final TransactionTemplate transaction;

    OwnRulesController(
            OwnRules own,
            RulesPreview preview,
            ProjectionRebuild rebuild,
            Jobs jobs,
            Audit audit,
            TransactionTemplate transaction) {
        this.own = own;
        this.preview = preview;
        this.rebuild = rebuild;
        this.jobs = jobs;
        this.audit = audit;
        this.transaction = transaction;
    }

    @GetMapping("/api/own-rules")
    @RequiresRole(Role.ADVISOR)
    RulesView ownRules(@AuthenticationPrincipal Advisor who) {
        OwnRules.Written written = own.written(who.practiceId());
        return new RulesView(written.version(), written.changedAt(), written.shared(), written.own());
    }

    /** Which findings would change, of the newest tests; nothing is kept. */
    @PostMapping("/api/own-rules/preview")
    RulesPreview.Preview previewOwnRules(
            @AuthenticationPrincipal Advisor who, @RequestBody @Validated RulesWrite body) {
        return preview.of(who.practiceId(), own.supposed(body.rules()));
    }

    /** Keeps them, and begins to judge all that was recorded by them. */
    @PutMapping("/api/own-rules")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Job putOwnRules(@AuthenticationPrincipal Advisor who, @RequestBody @Validated RulesWrite body) {
        UUID practice = who.practiceId();
        transaction.executeWithoutResult(status -> {
            own.write(practice, body.rules(), body.version());
            String names = String.join(", ", body.rules().stream().map(Rule::id).toList());
            audit.note(who, "put", "own-rules", practice, names.substring(0, Math.min(names.length(), 1000)));
        });
        return jobs.start(who, Role.OWNER, "judge-anew", handle -> Map.of("tests", rebuild.run(practice, handle::at)));
    }
}
