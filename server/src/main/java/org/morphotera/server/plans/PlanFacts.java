package org.morphotera.server.plans;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.visits.VisitReader;
import org.springframework.stereotype.Component;

/** What of a field's newest readings a plan needs: middles over the stops. */
@Component
class PlanFacts {

    /** A layer that the probe meets is taken to be this thick when no spade has said where it ends. */
    private static final double USUAL_LAYER_MM = 80;

    private static final double CLOUDY_UNDER = 0.25;

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
        List<IndicatorRow> rows = indicators.latestOfField(practice, field.id());
        IndicatorRow ph = of(rows, "ph", "ph").stream().findFirst().orElse(null);
        Double phMiddle = middle(of(rows, "ph", "ph"), true);
        Double esp = middle(of(rows, "sodicity", null), true);
        Double limit = middle(of(rows, "compaction", null), true);
        Double dispersion = middle(of(rows, "dispersion", null), false);
        boolean wet = visits.visitsOf(practice, field.id()).stream()
                .reduce((a, b) -> b)
                .map(visit -> "wet".equals(visit.soilMoisture()) || "moist".equals(visit.soilMoisture()))
                .orElse(false);
        return new FieldFacts(
                Coded.find(LandUse.values(), field.landUse()),
                texture(field, rows),
                field.crop(),
                field.areaHa() == null || field.areaHa() <= 0 ? 1 : field.areaHa(),
                phMiddle,
                ph == null || ph.figureLow() == null ? null : (ph.figureHigh() - ph.figureLow()) / 2,
                ph != null
                        && ph.kind() != null
                        && (ph.kind().contains("kit") || ph.kind().contains("powder")),
                middle(of(rows, "salinity", null), true),
                esp,
                indicators.cecOfField(practice, field.id()),
                dispersion != null && dispersion < CLOUDY_UNDER,
                indicators.permeabilityOfField(practice, field.id()),
                limit == null ? null : limit + USUAL_LAYER_MM,
                fields.events(practice, field.id()).stream()
                        .anyMatch(event -> event.kind().equals("drain")),
                wet);
    }

    /** The day of the newest laboratory figure that speaks on a constraint; {@code null} when there is none. */
    @Nullable
    LocalDate laboratoryDay(UUID practice, UUID field, String constraint) {
        List<String> spoken = SPOKEN_ON.get(constraint);
        Instant last = spoken == null ? null : indicators.laboratorySpoke(practice, field, spoken);
        return last == null ? null : LocalDate.ofInstant(last, ZoneOffset.UTC);
    }

    private static List<IndicatorRow> of(List<IndicatorRow> rows, String indicator, String method) {
        return rows.stream()
                .filter(row -> row.indicator().equals(indicator) && row.standing() != null)
                .filter(row -> method == null || row.method().equals(method))
                .toList();
    }

    private static Double middle(List<IndicatorRow> rows, boolean figure) {
        List<Double> sorted = rows.stream()
                .map(row -> figure ? row.figure() : row.standing())
                .filter(java.util.Objects::nonNull)
                .sorted(Comparator.naturalOrder())
                .toList();
        if (sorted.isEmpty()) {
            return null;
        }
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
    }

    private static org.morphotera.core.soil.TextureGroup texture(Field field, List<IndicatorRow> rows) {
        String felt = rows.stream()
                .filter(row -> row.indicator().equals("textureClass"))
                .map(IndicatorRow::code)
                .findFirst()
                .orElse(field.textureClass());
        TextureClass texture = felt == null ? null : Coded.find(TextureClass.values(), felt);
        return texture == null ? null : texture.group();
    }
}
