package org.morphotera.server.judgements;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.judgement.ScatterLearning;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.jobs.Job;
import org.morphotera.server.jobs.Jobs;
import org.morphotera.server.methods.OwnRules;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How readings of a practice scatter, and from how many of its own that is known. */
@RestController
@RequiresRole(Role.ADVISOR)
class ScattersController {

    /**
     * One indicator; each scatter as a factor of the one that ships, which is 1.
     *
     * @param person absent for what no person scores
     * @param readings that stand behind it, and {@code fields} that those are of
     */
    @Schema(name = "LearnedScatter")
    record Shown(
            String indicator,
            String label,
            int readings,
            int fields,
            double stop,
            double spot,
            double visit,
            @Nullable Double person) {}

    /** @param needed readings of an indicator, below which nothing is learned of it */
    @Schema(name = "LearnedScatters")
    record Scatters(@Nullable Instant learnedAt, int needed, List<Shown> scatters) {}

    private final PracticeScatters practices;
    private final OwnRules rules;
    private final Jobs jobs;
    private final Messages messages;

    ScattersController(PracticeScatters practices, OwnRules rules, Jobs jobs, Messages messages) {
        this.practices = practices;
        this.rules = rules;
        this.jobs = jobs;
        this.messages = messages;
    }

    @GetMapping("/api/scatters")
    Scatters scatters(@AuthenticationPrincipal Advisor who) {
        UUID practice = who.practiceId();
        OwnRules.LearnedScatters learned = rules.learned(practice);
        Benchmarks tables = rules.unlearned(practice);
        return new Scatters(
                learned.at(),
                ScatterLearning.READINGS_NEEDED,
                learned.scatters().stream()
                        .map(each -> shown(each, tables.table("model." + each.indicator())))
                        .toList());
    }

    private Shown shown(ScatterLearning.Learned each, Table table) {
        double person = table.at("person", "value");
        return new Shown(
                each.indicator(),
                messages.word(each.indicator()),
                each.readings(),
                each.fields(),
                factor(each.stop(), table, "stop"),
                factor(each.spot(), table, "spot"),
                factor(each.visit(), table, "visit"),
                person == 0 ? null : factor(each.person(), table, "person"));
    }

    private static double factor(double own, Table table, String row) {
        double shipped = table.at(row, "value");
        return shipped == 0 ? 1 : Math.round(100 * own / shipped) / 100.0;
    }

    /** Begins to work them out anew from all readings of the practice; all is judged by them from then on. */
    @PostMapping("/api/scatters")
    @RequiresRole(Role.OWNER)
    @ResponseStatus(HttpStatus.ACCEPTED)
    Job learn(@AuthenticationPrincipal Advisor who) {
        return jobs.start(
                who,
                Role.OWNER,
                "learn-scatters",
                handle -> Map.of(
                        "indicators",
                        practices.learn(who.practiceId(), handle::at).size()));
    }
}
