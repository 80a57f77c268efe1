package org.morphotera.server.plans;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.plan.ActedOn;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.LaboratoryWord;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.plan.order.OrderRules;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.Source;
import org.morphotera.core.statistics.Sample;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Patches;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.FieldIndicators;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.indicators.SightingReader;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.springframework.stereotype.Component;

/** Reads what the core puts a field's facts together from. */
@Component
class PlanFacts {

    private final FieldReader fields;
    private final VisitReader visits;
    private final SightingReader sightings;
    private final FieldIndicators indicators;
    private final FieldLimits limits;
    private final EvidenceTables tables;

    PlanFacts(
            FieldReader fields,
            VisitReader visits,
            SightingReader sightings,
            FieldIndicators indicators,
            FieldLimits limits,
            EvidenceTables tables) {
        this.fields = fields;
        this.visits = visits;
        this.sightings = sightings;
        this.indicators = indicators;
        this.limits = limits;
        this.tables = tables;
    }

    /** @param findings what was found on the field, as its limits have it */
    FieldFacts of(UUID practice, Field field, StopFindings findings) {
        List<Stop> stops = fields.stops(practice, field.id());
        boolean poorLeads = StopRole.leading(Patches.roles(stops)) == StopRole.POOR;
        return facts(
                practice,
                field,
                findings,
                indicators.standing(practice, field.id()),
                poorLeads ? Patches.treated(field, stops, StopRole.POOR) : null);
    }

    /** The same of a patch, by its own readings. */
    FieldFacts ofPatch(UUID practice, Field field, StopRole patch, StopFindings findings) {
        List<Stop> stops = fields.stops(practice, field.id());
        return facts(
                practice,
                field,
                findings,
                indicators.scoresOf(practice, field.id(), Patches.stopsOf(stops, patch)),
                Patches.treated(field, stops, patch));
    }

    private FieldFacts facts(
            UUID practice,
            Field field,
            StopFindings findings,
            List<IndicatorRow> standing,
            FieldFacts.@Nullable Treated treated) {
        Visit newest = visits.newest(practice, field.id());
        String moisture = newest == null ? null : newest.soilMoisture();
        boolean drained = new ActedOn(findings, tables).everDone(ActionKind.DRAIN);
        Found subsoil = findings.field().get("subsoil-ph");
        List<SightingReader.Row> seen = sightings.latestOfField(practice, field.id());
        return FieldFacts.of(
                new FieldFacts.Place(
                        Coded.find(LandUse.values(), field.landUse()),
                        field.textureClass(),
                        field.crop(),
                        field.areaHa(),
                        treated,
                        drained,
                        moisture == null ? null : Coded.find(SoilMoisture.values(), moisture)),
                IndicatorRow.readings(standing),
                subsoil == null ? null : subsoil.figure(),
                newest(seen, "cec"),
                new FieldFacts.Permeability(mean(seen, "straight-down"), mean(seen, "infiltration-at-200")),
                mean(seen, "layer-bottom"));
    }

    private static @Nullable Double newest(List<SightingReader.Row> seen, String finding) {
        return seen.stream()
                .filter(row -> row.finding().equals(finding))
                .max(Comparator.comparing(SightingReader.Row::takenAt))
                .map(SightingReader.Row::figure)
                .orElse(null);
    }

    private static @Nullable Double mean(List<SightingReader.Row> seen, String finding) {
        OptionalDouble mean = seen.stream()
                .filter(row -> row.finding().equals(finding))
                .mapToDouble(SightingReader.Row::figure)
                .average();
        return mean.isPresent() ? mean.getAsDouble() : null;
    }

    /** The patches that don't lead the field and were read: what is spread there goes by them alone. */
    List<StopRole> otherPatches(UUID practice, Field field) {
        Set<StopRole> roles = Patches.roles(fields.stops(practice, field.id()));
        return Stream.of(StopRole.POOR, StopRole.GOOD)
                .filter(role -> roles.contains(role) && role != StopRole.leading(roles))
                .toList();
    }

    /** What the laboratory says on a constraint since the last that was done; {@code null} when it does not. */
    @Nullable
    LaboratoryWord laboratory(UUID practice, Field field, String constraint) {
        return switch (constraint) {
            case "acidity" ->
                word(rowsOf(practice, field, "ph", false), limits.window(field).low(), true);
            case "subsurface-acidity" ->
                word(rowsOf(practice, field, "ph", true), limits.window(field).low(), true);
            case "sodicity" -> word(rowsOf(practice, field, "sodicity", false), OrderRules.SODIC_FROM_PCT, false);
            default -> null;
        };
    }

    private List<IndicatorRow> rowsOf(UUID practice, Field field, String indicator, boolean subsoil) {
        return indicators.everySource(practice, field.id()).stream()
                .filter(row -> row.indicator().equals(indicator) && row.figure() != null)
                .filter(row -> DepthLayer.isSubsoil(row.layer()) == subsoil)
                .toList();
    }

    private static @Nullable LaboratoryWord word(List<IndicatorRow> read, double threshold, boolean below) {
        List<IndicatorRow> laboratory =
                read.stream().filter(row -> row.from() == Source.LABORATORY).toList();
        if (laboratory.isEmpty()) {
            return null;
        }
        List<IndicatorRow> own =
                read.stream().filter(row -> row.from() != Source.LABORATORY).toList();
        LocalDate on = laboratory.stream()
                .map(row -> row.takenAt().atZone(ZoneOffset.UTC).toLocalDate())
                .max(Comparator.naturalOrder())
                .orElseThrow();
        return LaboratoryWord.of(on, interval(laboratory), own.isEmpty() ? null : interval(own), threshold, below);
    }

    private static LaboratoryWord.Interval interval(List<IndicatorRow> rows) {
        double middle =
                Sample.of(rows.stream().map(IndicatorRow::figure).toList()).median();
        double half = rows.stream()
                .filter(row -> row.figureLow() != null)
                .mapToDouble(row -> (row.figureHigh() - row.figureLow()) / 2)
                .max()
                .orElse(0);
        return new LaboratoryWord.Interval(middle, middle - half, middle + half);
    }
}
