package org.morphotera.server.limits;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.FindingKind;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.LimitWords;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.viewcache.CachedView;
import org.morphotera.server.viewcache.ViewCache;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What limits a field, with its evidence, and what to test next. */
@RestController
@RequiresRole(Role.ADVISOR)
class LimitsController {

    private static final int TOO_LITTLE_UNDER = 3;
    private static final double PERCENT = 100;

    /**
     * One finding's weight for a constraint.
     *
     * @param countsLess why it counts less than it would, in words; {@code null} where it counts in full
     * @param share of its weight that counts, 0..1
     * @param supposed it was not made but asked about
     */
    record EvidenceView(
            String finding,
            String label,
            String state,
            double weight,
            String reason,
            String source,
            String method,
            double share,
            @Nullable String countsLess,
            boolean supposed) {}

    /** How probable it is that a constraint holds a stop back. */
    record StopView(String id, String label, double probability) {}

    /**
     * How one constraint stands.
     *
     * @param probability that it holds half of the field back or more
     * @param namedInPart whether it is named of a part of the field alone
     * @param areaSharePct of the field that it holds back, expected
     * @param inPart how probable it is that it holds back a fifth, or a patch of a known area
     * @param extent how far it reaches, in a sentence; {@code null} where it is not named
     * @param lossPct yield that the whole field loses by it, expected, %; with {@code null} where nothing is known of it
     * @param cost the same in a sentence; {@code null} where it is not named
     */
    record ConstraintView(
            String constraint,
            String label,
            String sentence,
            double prior,
            double probability,
            boolean named,
            boolean namedInPart,
            double areaSharePct,
            List<StopView> stops,
            double inPart,
            @Nullable String extent,
            @Nullable Double lossPct,
            @Nullable Double lossLow,
            @Nullable Double lossHigh,
            @Nullable String cost,
            String confirmation,
            List<EvidenceView> evidence) {}

    /** A finding that was not made, with the states it could have. */
    record OpenFinding(String finding, String label, String method, List<String> states) {}

    @CachedView
    record LimitsView(
            String field,
            boolean tooLittleSeen,
            int findings,
            List<ConstraintView> constraints,
            List<NextTests.NextTestView> next,
            List<OpenFinding> open) {}

    private final FieldReader fields;
    private final AccessScope scope;
    private final ViewCache kept;
    private final FieldLimits limits;
    private final EvidenceTables tables;
    private final NextTests next;
    private final Messages messages;
    private final LimitWords words;

    LimitsController(
            FieldReader fields,
            FieldLimits limits,
            EvidenceTables tables,
            NextTests next,
            Messages messages,
            AccessScope scope,
            ViewCache kept) {
        this.scope = scope;
        this.kept = kept;
        this.fields = fields;
        this.limits = limits;
        this.tables = tables;
        this.next = next;
        this.messages = messages;
        this.words = new LimitWords(messages);
    }

    /** @param suppose findings that were not made, as {@code finding:state}, several joined by commas: what if? */
    @RequiresRole(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping("/api/fields/{id}/limits")
    LimitsView limits(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable String suppose) {
        scope.requireField(who, id);
        return suppose == null || suppose.isBlank()
                ? kept.of(LimitsView.class, who.practiceId(), id, () -> limits(who.practiceId(), id, ""))
                : limits(who.practiceId(), id, suppose);
    }

    private LimitsView limits(UUID practice, UUID id, String suppose) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        StopFindings known = limits.findings(practice, field);
        Set<String> made = new LinkedHashSet<>(known.field().keySet());
        StopFindings findings = known.supposing(supposed(suppose));
        Map<String, String> labels =
                findings.stops().stream().collect(Collectors.toMap(JudgedField.Stop::id, JudgedField.Stop::label));
        List<ConstraintView> constraints = limits.beliefs(findings).stream()
                .map(belief -> view(belief, made, labels))
                .toList();
        return new LimitsView(
                field.name(),
                made.size() < TOO_LITTLE_UNDER,
                made.size(),
                constraints,
                next.of(field, findings.field()),
                open(made));
    }

    private Map<String, Found> supposed(String suppose) {
        Map<String, Found> findings = new LinkedHashMap<>();
        if (suppose.isEmpty()) {
            return findings;
        }
        for (String each : suppose.split(",")) {
            String[] parts = each.split(":");
            FindingKind kind = parts.length == 2 ? tables.kind(parts[0]) : null;
            if (kind == null || !kind.states().contains(parts[1])) {
                throw RefusedException.of(
                        "suppose", "NO_SUCH_FINDING", "Write a finding and one of its states as finding:state.");
            }
            findings.put(parts[0], Found.whole(parts[1]));
        }
        return findings;
    }

    private ConstraintView view(Limits.Belief belief, Set<String> made, Map<String, String> labels) {
        String code = belief.constraint().code();
        return new ConstraintView(
                code,
                messages.text("constraint." + code),
                messages.text("constraint.sentence." + code),
                belief.prior(),
                belief.probability(),
                belief.named(),
                belief.namedInPart(),
                PERCENT * belief.share(),
                belief.stops().stream()
                        .map(each -> new StopView(each.stop(), labels.get(each.stop()), each.probability()))
                        .toList(),
                belief.inPart(),
                words.extent(belief),
                belief.cost() == null ? null : Double.valueOf(belief.cost().likely()),
                belief.cost() == null ? null : Double.valueOf(belief.cost().low()),
                belief.cost() == null ? null : Double.valueOf(belief.cost().high()),
                words.cost(belief),
                messages.text("constraint.confirm." + code),
                belief.evidence().stream()
                        .map(each -> new EvidenceView(
                                each.finding(),
                                messages.text("finding." + each.finding()),
                                messages.word(each.state()),
                                each.weight(),
                                each.reason(),
                                each.source(),
                                each.method(),
                                each.share(),
                                less(each),
                                !made.contains(each.finding())))
                        .toList());
    }

    private @Nullable String less(Limits.Evidence evidence) {
        return evidence.share() == 1
                ? null
                : evidence.less().stream()
                        .map(code -> messages.text("less." + code))
                        .distinct()
                        .collect(Collectors.joining("; "));
    }

    private List<OpenFinding> open(Set<String> made) {
        List<OpenFinding> open = new ArrayList<>();
        for (FindingKind kind : tables.kinds()) {
            if (!made.contains(kind.id())) {
                open.add(new OpenFinding(
                        kind.id(), messages.text("finding." + kind.id()), kind.method(), kind.states()));
            }
        }
        return open;
    }
}
