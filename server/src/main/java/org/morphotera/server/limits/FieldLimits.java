package org.morphotera.server.limits;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.Sightings;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.morphotera.server.indicators.SightingReader;
import org.morphotera.server.observations.Observation;
import org.morphotera.server.observations.ObservationReader;
import org.springframework.stereotype.Component;

/** The findings of a field, from its newest tests and what was seen, and what follows from them. */
@Component
public class FieldLimits {

    private static final int TOLD = 4;

    private final SightingReader sightings;
    private final ObservationReader observations;
    private final EvidenceTables tables;
    private final Messages messages;

    FieldLimits(SightingReader sightings, ObservationReader observations, EvidenceTables tables, Messages messages) {
        this.messages = messages;
        this.sightings = sightings;
        this.observations = observations;
        this.tables = tables;
    }

    /** State by finding. */
    public Map<String, String> findings(UUID practice, UUID field) {
        List<Sighting> seen = new ArrayList<>();
        sightings
                .latestOfField(practice, field)
                .forEach(row -> seen.add(new Sighting(row.finding(), row.figure(), row.state())));
        for (Observation each : observations.latestOfField(practice, field)) {
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
        return new LinkedHashMap<>(Sightings.findings(seen, tables));
    }

    /** The constraint that leads: the most probable one, if it is probable enough to be named; else {@code null}. */
    public Leading leading(UUID practice, Field field) {
        Limits.Belief first = beliefs(field, findings(practice, field.id())).get(0);
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
                        .limit(TOLD)
                        .map(each -> messages.text("finding." + each.finding()) + ": " + messages.word(each.state()))
                        .toList());
    }

    /** Every constraint, most probable first. */
    public List<Limits.Belief> beliefs(Field field, Map<String, String> findings) {
        return Limits.of(findings, Coded.find(LandUse.values(), field.landUse()), tables);
    }
}
