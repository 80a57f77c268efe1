package org.morphotera.server.sheets;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.observations.Observation;

/** The shapes in which sheets leave the server: the same readings as every school marks them. */
public final class Sheets {

    private Sheets() {}

    /** A function of the soil; without mean and level where too little of it was seen. */
    public record FunctionView(
            String function,
            String label,
            @Nullable Double mean,
            @Nullable Double low,
            @Nullable Double high,
            double measuredShare,
            @Nullable String level,
            boolean capped,
            List<FunctionPart> parts) {}

    /** One indicator of a function and the depth at which it was lowest. */
    public record FunctionPart(
            String indicator,
            String label,
            double weight,
            @Nullable Double standing,
            @Nullable String level,
            @Nullable String band) {}

    /** The whole field: the lowest function's level, and the mean of the functions as a second figure. */
    public record OverallView(
            List<FunctionView> functions,
            @Nullable String level,
            @Nullable Double mean) {}

    /** How one stop, or the field, is marked by each school for one indicator. */
    public record Mark(
            @Nullable UUID measurementId,
            double standing,
            String level,
            double points,
            String flag,
            String grade,
            @Nullable Double figure,
            @Nullable String unit,
            boolean odd) {}

    /** One indicator at one depth over the stops. */
    public record SheetRow(
            String indicator,
            String label,
            String band,
            String depth,
            @Nullable Double depthTopMm,
            @Nullable Double depthBottomMm,
            @Nullable Double soilWeight,
            @Nullable Double plantWeight,
            Map<String, Mark> stops,
            Mark field,
            double stopAverage,
            @Nullable String pattern) {}

    /** A points sheet: per cent of what was possible, by stop and for the field, with what it rests on. */
    public record PointsView(
            @Nullable Double percent, @Nullable String grade, Map<String, Double> byStop, List<String> notMeasured) {}

    public record SheetView(
            Field field,
            Grower grower,
            UUID visitId,
            LocalDate visitedOn,
            String person,
            @Nullable String soilMoisture,
            @Nullable Integer daysSinceRain,
            @Nullable Double soilTempC,
            List<Stop> stops,
            List<SheetRow> rows,
            List<Observation> observations,
            PointsView soil,
            PointsView plant,
            @Nullable String question,
            OverallView overall,
            List<SheetVisit> visits) {}

    /** A visit that a sheet can be made of. */
    public record SheetVisit(UUID id, LocalDate visitedOn, int measurements) {}
}
