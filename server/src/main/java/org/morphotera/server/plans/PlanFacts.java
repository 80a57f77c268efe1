package org.morphotera.server.plans;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.springframework.stereotype.Component;

/** Reads what the core puts a field's facts together from. */
@Component
class PlanFacts {

    /** What a laboratory measures that confirms a constraint, by the constraint. */
    private static final Map<String, List<String>> SPOKEN_ON =
            Map.of("acidity", List.of("ph"), "subsurface-acidity", List.of("ph"), "sodicity", List.of("sodicity"));

    private final FieldReader fields;
    private final VisitReader visits;
    private final IndicatorReader indicators;

    PlanFacts(FieldReader fields, VisitReader visits, IndicatorReader indicators) {
        this.fields = fields;
        this.visits = visits;
        this.indicators = indicators;
    }

    FieldFacts of(UUID practice, Field field) {
        String moisture = visits.visitsOf(practice, field.id()).stream()
                .reduce((earlier, later) -> later)
                .map(Visit::soilMoisture)
                .orElse(null);
        boolean drained = fields.events(practice, field.id()).stream()
                .anyMatch(event -> event.kind().equals("drain"));
        return FieldFacts.of(
                new FieldFacts.Place(
                        Coded.find(LandUse.values(), field.landUse()),
                        field.textureClass(),
                        field.crop(),
                        field.areaHa(),
                        drained,
                        moisture == null ? null : Coded.find(SoilMoisture.values(), moisture)),
                IndicatorRow.readings(indicators.latestOfField(practice, field.id())),
                indicators.cecOfField(practice, field.id()),
                indicators.permeabilityOfField(practice, field.id()));
    }

    /** The day of the newest laboratory figure that speaks on a constraint; {@code null} when there is none. */
    @Nullable
    LocalDate laboratoryDay(UUID practice, UUID field, String constraint) {
        List<String> spoken = SPOKEN_ON.get(constraint);
        Instant last = spoken == null ? null : indicators.laboratorySpoke(practice, field, spoken);
        return last == null ? null : LocalDate.ofInstant(last, ZoneOffset.UTC);
    }
}
