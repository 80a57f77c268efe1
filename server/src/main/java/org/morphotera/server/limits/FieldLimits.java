package org.morphotera.server.limits;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.Sightings;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.indicators.Outdated;
import org.morphotera.server.indicators.SightingReader;
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
    private final Messages messages;

    FieldLimits(
            SightingReader sightings,
            ObservationReader observations,
            FieldReader fields,
            VisitContexts contexts,
            GapReader gaps,
            EvidenceTables tables,
            Benchmarks benchmarks,
            Messages messages) {
        this.sightings = sightings;
        this.observations = observations;
        this.fields = fields;
        this.contexts = contexts;
        this.gaps = gaps;
        this.tables = tables;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /** What was found, by finding. What something done since has made old is left out. */
    public Map<String, Found> findings(UUID practice, Field field) {
        List<Sighting> seen = standing(practice, field, sightings.latestOfField(practice, field.id()));
        observations.latestOfField(practice, field.id()).forEach(each -> look(each, seen));
        Boolean added = contexts.carbonAdded(practice, field);
        if (added != null) {
            seen.add(Sighting.of("carbon-added", added));
        }
        Map<String, Found> findings = new LinkedHashMap<>(Sightings.findings(seen, window(field), tables));
        Double gap = gaps.soilOverPlant(practice, field.id());
        if (gap != null) {
            findings.put(GAP, Found.whole(tables.kind(GAP).stateOf(gap)));
        }
        return findings;
    }

    /** What the tests of some stops found, whatever the stops stand for. */
    public Map<String, Found> findingsOf(UUID practice, Field field, List<UUID> stops) {
        List<SightingReader.Row> rows = stops.stream()
                .flatMap(stop -> sightings.latestOfStop(practice, stop).stream())
                .toList();
        return Sightings.findings(standing(practice, field, rows), window(field), tables);
    }

    private List<Sighting> standing(UUID practice, Field field, List<SightingReader.Row> rows) {
        Outdated outdated = new Outdated(fields.events(practice, field.id()), tables);
        return rows.stream()
                .filter(row -> !old(row, outdated))
                .map(SightingReader.Row::sighting)
                .collect(Collectors.toCollection(ArrayList::new));
    }

    private boolean old(SightingReader.Row row, Outdated outdated) {
        EvidenceTables.Kind kind = tables.kind(row.finding());
        return kind != null && outdated.is(kind.property(), row.stopId(), row.takenAt());
    }

    private static void look(Observation each, List<Sighting> seen) {
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
    }

    /** The pH that the field's crop wants. */
    public PhWindow window(Field field) {
        return PhWindow.of(field.crop(), landUse(field), benchmarks.table("ph.windows"));
    }

    private static LandUse landUse(Field field) {
        return Coded.find(LandUse.values(), field.landUse());
    }

    /** The constraint that leads: the most probable one, if it is probable enough to be named; else {@code null}. */
    public Leading leading(UUID practice, Field field) {
        Limits.Belief first = beliefs(field, findings(practice, field)).get(0);
        if (!first.named()) {
            return null;
        }
        String code = first.constraint().code();
        return new Leading(
                code,
                messages.text("constraint.sentence." + code),
                first.probability(),
                messages.text("constraint.confirm." + code),
                first.evidence().stream()
                        .filter(each -> each.weight() > 0)
                        .findFirst()
                        .map(Limits.Evidence::method)
                        .orElse(""),
                first.evidence().stream()
                        .filter(each -> each.weight() > 0)
                        .limit(TOLD)
                        .map(each -> messages.text("finding." + each.finding()) + ": " + messages.word(each.state()))
                        .toList());
    }

    /** Every constraint, most probable first. */
    public List<Limits.Belief> beliefs(Field field, Map<String, Found> findings) {
        return Limits.of(findings, landUse(field), tables);
    }
}
