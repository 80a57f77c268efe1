package org.morphotera.server.limits;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.LimitWords;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.limits.StopSighting;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.indicators.SightingReader;
import org.morphotera.server.judgements.JudgedFields;
import org.morphotera.server.methods.OwnRules;
import org.morphotera.server.observations.Observation;
import org.morphotera.server.observations.ObservationReader;
import org.morphotera.server.visits.VisitContexts;
import org.springframework.stereotype.Component;

/**
 * The findings of a field, from its newest tests and what was seen, and what follows from them: the same for every page
 * that speaks of its limits.
 */
@Component
public class FieldLimits {

    private static final int TOLD = 4;
    private static final String GAP = "soil-plant-gap";

    private final SightingReader sightings;
    private final ObservationReader observations;
    private final FieldReader fields;
    private final VisitContexts contexts;
    private final GapReader gaps;
    private final EvidenceTables tables;
    private final Benchmarks benchmarks;
    private final JudgedFields judged;
    private final OwnRules rules;
    private final Messages messages;

    FieldLimits(
            SightingReader sightings,
            ObservationReader observations,
            FieldReader fields,
            VisitContexts contexts,
            GapReader gaps,
            EvidenceTables tables,
            Benchmarks benchmarks,
            JudgedFields judged,
            OwnRules rules,
            Messages messages) {
        this.sightings = sightings;
        this.observations = observations;
        this.fields = fields;
        this.contexts = contexts;
        this.gaps = gaps;
        this.tables = tables;
        this.benchmarks = benchmarks;
        this.judged = judged;
        this.rules = rules;
        this.messages = messages;
    }

    /** What was found, stop by stop. */
    public StopFindings findings(UUID practice, Field field) {
        List<StopSighting> seen = seen(practice, field);
        Boolean added = contexts.carbonAdded(practice, field);
        if (added != null) {
            seen.add(StopSighting.ofField(Sighting.of("carbon-added", added)));
        }
        Double gap = gaps.soilOverPlant(practice, field.id());
        if (gap != null) {
            seen.add(StopSighting.ofField(Sighting.of(GAP, gap)));
        }
        return of(practice, seen, judged.of(practice, field.id()).field());
    }

    /** What was found at some stops alone, whatever they stand for. */
    public StopFindings findingsOf(UUID practice, Field field, List<UUID> stops) {
        Set<String> wanted = stops.stream().map(UUID::toString).collect(Collectors.toSet());
        JudgedField all = judged.of(practice, field.id()).field();
        return of(
                practice,
                seen(practice, field),
                new JudgedField(
                        all.on(),
                        all.place(),
                        all.stops().stream()
                                .filter(each -> wanted.contains(each.id()))
                                .toList(),
                        all.visits(),
                        all.events(),
                        List.of()));
    }

    private StopFindings of(UUID practice, List<StopSighting> seen, JudgedField field) {
        return StopFindings.of(seen, field, tables, rules.benchmarks(practice));
    }

    private List<StopSighting> seen(UUID practice, Field field) {
        Map<UUID, UUID> visits = sightings.madeOf(practice, field.id()).stream()
                .collect(Collectors.toMap(SightingReader.Made::measurementId, SightingReader.Made::visitId));
        List<StopSighting> seen = new ArrayList<>();
        for (SightingReader.Row row : sightings.ofField(practice, field.id())) {
            seen.add(new StopSighting(
                    row.stopId().toString(), visits.get(row.measurementId()).toString(), seen.size(), row.sighting()));
        }
        for (Observation each : observations.latestOfField(practice, field.id())) {
            look(each)
                    .forEach(sign -> seen.add(new StopSighting(
                            each.stopId().toString(), each.visitId().toString(), seen.size(), sign)));
        }
        return seen;
    }

    private static List<Sighting> look(Observation each) {
        List<Sighting> seen = new ArrayList<>();
        if (each.rills() != null) {
            seen.add(Sighting.of("rills", each.rills()));
        }
        if (each.whiteCrust() != null) {
            seen.add(Sighting.of("white-crust", each.whiteCrust()));
        }
        if (each.slopePct() != null) {
            seen.add(Sighting.of("slope", each.slopePct()));
        }
        if (Boolean.TRUE.equals(each.standingWater())) {
            seen.add(Sighting.of("standing-water", true));
        }
        return seen;
    }

    /** The pH that the field's crop wants. */
    public PhWindow window(Field field) {
        return PhWindow.of(field.crop(), landUse(field), benchmarks.table("ph.windows"));
    }

    private static LandUse landUse(Field field) {
        return Coded.find(LandUse.values(), field.landUse());
    }

    /** The constraint that leads: the most probable one, if it is probable enough to be named; else {@code null}. */
    public @Nullable Leading leading(UUID practice, Field field) {
        return leading(findings(practice, field));
    }

    /** The same of what was found. */
    public @Nullable Leading leading(StopFindings findings) {
        Limits.Belief first = beliefs(findings).get(0);
        if (!first.isToMend()) {
            return null;
        }
        String code = first.constraint().code();
        List<String> because = new ArrayList<>();
        if (first.namedInPart()) {
            // one of several, without the stop that ends a sentence
            because.add(new LimitWords(messages).extent(first).replaceAll("\\.$", ""));
        }
        first.evidence().stream()
                .filter(each -> each.weight() > 0)
                .limit(TOLD)
                .forEach(each ->
                        because.add(messages.text("finding." + each.finding()) + ": " + messages.word(each.state())));
        return new Leading(
                code,
                messages.text("constraint.sentence." + code),
                first.sure(),
                messages.text("constraint.confirm." + code),
                first.evidence().stream()
                        .filter(each -> each.weight() > 0)
                        .findFirst()
                        .map(Limits.Evidence::method)
                        .orElse(""),
                because);
    }

    /** Every limit that is named, the one that costs most first. */
    public List<NamedLimit> named(UUID practice, Field field, ShownUnits units) {
        StopFindings findings = findings(practice, field);
        LimitWords words = new LimitWords(messages);
        return beliefs(findings).stream()
                .filter(Limits.Belief::isToMend)
                .map(belief -> {
                    String code = belief.constraint().code();
                    List<String> held = belief.heldBack();
                    return new NamedLimit(
                            messages.text("constraint." + code),
                            messages.text("constraint.sentence." + code),
                            words.extent(belief),
                            words.cost(belief),
                            words.because(
                                    belief,
                                    belief.namedInPart() && !held.isEmpty() ? findings.over(held) : findings.field(),
                                    tables,
                                    units,
                                    TOLD),
                            messages.text("constraint.confirm." + code));
                })
                .toList();
    }

    /** Every constraint; see {@link Limits#of(StopFindings, EvidenceTables)}. */
    public List<Limits.Belief> beliefs(StopFindings findings) {
        return Limits.of(findings, tables);
    }
}
