package org.morphotera.server.faces;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.core.score.FaceLayout;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.limits.Leading;
import org.morphotera.server.limits.NextTests;
import org.morphotera.server.sheets.Sheets;
import org.morphotera.server.viewcache.CachedView;

/** The shapes in which fields and their findings leave the server. */
public final class Faces {

    private Faces() {}

    /** One band of a core strip; without level where nothing was measured. */
    public record Band(
            String band,
            @Nullable String level,
            @Nullable Double standing,
            @Nullable String indicator) {}

    /** What holds a field back most, as far as was measured. */
    public record Limit(
            String indicator,
            String label,
            String level,
            double standing,
            @Nullable Double depthTopMm,
            @Nullable Double depthBottomMm,
            String why) {}

    /** A field in the list. */
    public record FieldStrip(
            UUID id,
            String name,
            String grower,
            String landUse,
            @Nullable String crop,
            @Nullable Double areaHa,
            @Nullable String textureClass,
            List<Band> bands,
            @Nullable Limit limit,
            int stops,
            @Nullable LocalDate lastVisit,
            @Nullable LocalDate dueOn) {}

    /** One stop's part in a finding. */
    public record StopFinding(
            UUID stopId,
            String stop,
            UUID measurementId,
            LocalDate takenOn,
            String level,
            double standing,
            @Nullable Double low,
            @Nullable Double high,
            @Nullable Double figure,
            @Nullable Double figureLow,
            @Nullable Double figureHigh,
            boolean odd) {}

    /** How much readings of one kind count in a field's figure: at how many stops, and their share, 0 to 1. */
    public record Weight(String label, int stops, double share) {}

    /**
     * One indicator at one depth: where the field stands, with the ends of the interval of 95 %.
     *
     * @param figure of the field with its interval of 95 %, by all readings that the field has of it
     * @param pattern how a figure without unit is written, with {@code {x}} for it
     * @param readOn the newest day it was read
     * @param since what was done since then that can change it
     * @param weights what the figure stands on, the largest share first
     */
    public record FindingView(
            String indicator,
            String label,
            String method,
            String band,
            @Nullable Double depthTopMm,
            @Nullable Double depthBottomMm,
            String level,
            double standing,
            double lowest,
            double highest,
            @Nullable Double figure,
            @Nullable Double figureLow,
            @Nullable Double figureHigh,
            @Nullable String unit,
            @Nullable String pattern,
            LocalDate readOn,
            List<String> since,
            List<Weight> weights,
            List<StopFinding> stops) {}

    /** One visit in the history. */
    public record VisitStrip(
            UUID id,
            LocalDate visitedOn,
            String person,
            @Nullable String soilMoisture,
            int measurements,
            List<Band> bands) {}

    /**
     * A field's page; {@code layout} lays its findings out beside the ground.
     *
     * @param southern whether it lies on the southern hemisphere
     * @param textures found at its stops, which are context for other tests
     * @param next the test that would tell most of what limits the field
     * @param patches the poor and the good patch side by side, where there are no other stops to speak for the field
     */
    @CachedView
    public record FieldFaceView(
            Field field,
            Grower grower,
            @Nullable String textureClass,
            List<Stop> stops,
            List<FindingView> findings,
            List<Band> bands,
            @Nullable Limit limit,
            List<VisitStrip> visits,
            int visitCount,
            List<ManagementEvent> events,
            boolean southern,
            List<PlaceAndDay.ContextReading> textures,
            Sheets.OverallView overall,
            FaceLayout layout,
            GroundPicture ground,
            NextTests.@Nullable NextTestView next,
            @Nullable Leading leading,
            @Nullable String patches) {}
}
