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
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.Least;
import org.morphotera.server.accounts.Reach;
import org.morphotera.server.accounts.Role;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.kept.KeptViews;
import org.morphotera.server.kept.WrittenOnce;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What limits a field, with its evidence, and what to test next. */
@RestController
@Least(Role.ADVISOR)
class LimitsController {

    private static final int OFFERED = 3;
    private static final int TOO_LITTLE_UNDER = 3;

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

    record ConstraintView(
            String constraint,
            String label,
            String sentence,
            double prior,
            double probability,
            boolean named,
            String confirmation,
            List<EvidenceView> evidence) {}

    record NextTestView(String method, String title, int minutes, double gainBits, String reason) {}

    /** A finding that was not made, with the states it could have. */
    record OpenFinding(String finding, String label, String method, List<String> states) {}

    @WrittenOnce
    record LimitsView(
            String field,
            boolean tooLittleSeen,
            int findings,
            List<ConstraintView> constraints,
            List<NextTestView> next,
            List<OpenFinding> open) {}

    private final FieldReader fields;
    private final Reach reach;
    private final KeptViews kept;
    private final FieldLimits limits;
    private final EvidenceTables tables;
    private final MethodRegistry methods;
    private final Messages messages;

    LimitsController(
            FieldReader fields,
            FieldLimits limits,
            EvidenceTables tables,
            MethodRegistry methods,
            Messages messages,
            Reach reach,
            KeptViews kept) {
        this.reach = reach;
        this.kept = kept;
        this.fields = fields;
        this.limits = limits;
        this.tables = tables;
        this.methods = methods;
        this.messages = messages;
    }

    /** @param suppose findings that were not made, as {@code finding:state}, several joined by commas: what if? */
    @Least(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping("/api/fields/{id}/limits")
    LimitsView limits(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable String suppose) {
        reach.requireField(who, id);
        return suppose == null || suppose.isBlank()
                ? kept.of(LimitsView.class, who.practiceId(), id, () -> limits(who.practiceId(), id, ""))
                : limits(who.practiceId(), id, suppose);
    }

    private LimitsView limits(UUID practice, UUID id, String suppose) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        Map<String, Found> findings = limits.findings(practice, field);
        Set<String> made = new LinkedHashSet<>(findings.keySet());
        suppose(suppose, findings);
        List<ConstraintView> constraints = limits.beliefs(field, findings).stream()
                .map(belief -> view(belief, made))
                .toList();
        return new LimitsView(
                field.name(),
                made.size() < TOO_LITTLE_UNDER,
                made.size(),
                constraints,
                next(field, findings),
                open(made));
    }

    private void suppose(String suppose, Map<String, Found> findings) {
        if (suppose.isEmpty()) {
            return;
        }
        for (String each : suppose.split(",")) {
            String[] parts = each.split(":");
            EvidenceTables.Kind kind = parts.length == 2 ? tables.kind(parts[0]) : null;
            if (kind == null || !kind.states().contains(parts[1])) {
                throw RefusedException.of(
                        "suppose", "NO_SUCH_FINDING", "Write a finding and one of its states as finding:state.");
            }
            findings.put(parts[0], Found.whole(parts[1]));
        }
    }

    private ConstraintView view(Limits.Belief belief, Set<String> made) {
        String code = belief.constraint().code();
        return new ConstraintView(
                code,
                messages.text("constraint." + code),
                messages.text("constraint.sentence." + code),
                belief.prior(),
                belief.probability(),
                belief.named(),
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

    private List<NextTestView> next(Field field, Map<String, Found> findings) {
        Set<String> done = tables.kinds().stream()
                .filter(kind -> findings.containsKey(kind.id()))
                .map(EvidenceTables.Kind::method)
                .collect(Collectors.toSet());
        done.removeAll(NextTest.wantedNext(findings, tables));
        Map<String, Integer> minutes = new LinkedHashMap<>();
        methods.all().stream()
                .filter(method -> !done.contains(method.card().id()))
                .forEach(method -> minutes.put(method.card().id(), method.card().handsOnMinutes()));
        return NextTest.ranked(findings, minutes, Coded.find(LandUse.values(), field.landUse()), tables).stream()
                .limit(OFFERED)
                .map(offer -> {
                    String title = messages.text(offer.method() + ".title");
                    return new NextTestView(
                            offer.method(), title, offer.minutes(), offer.gainBits(), reason(title, offer));
                })
                .toList();
    }

    private String reason(String title, NextTest.Offer offer) {
        String finding = messages.text("finding." + offer.finding());
        // a test with one finding of its own name is not told twice
        String code = finding.equals(title) ? "next.reason-itself" : "next.reason";
        return messages.text(
                List.of(code),
                Map.of(
                        "title",
                        title,
                        "minutes",
                        offer.minutes(),
                        "constraint",
                        lower(messages.text("constraint." + offer.constraint().code())),
                        "finding",
                        lower(finding)));
    }

    private static String lower(String label) {
        return label.startsWith("pH")
                ? label
                : label.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + label.substring(1);
    }

    private List<OpenFinding> open(Set<String> made) {
        List<OpenFinding> open = new ArrayList<>();
        for (EvidenceTables.Kind kind : tables.kinds()) {
            if (!made.contains(kind.id())) {
                open.add(new OpenFinding(
                        kind.id(), messages.text("finding." + kind.id()), kind.method(), kind.states()));
            }
        }
        return open;
    }
}
