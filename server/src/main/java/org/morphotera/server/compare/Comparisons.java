package org.morphotera.server.compare;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.score.FaceLayout;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.server.faces.Faces;

/** The shapes in which comparisons leave the server. */
final class Comparisons {

    private Comparisons() {}

    /** One place at one time: a field, or one of its stops; on a visit, or by the newest of each test. */
    record ComparedPlace(
            UUID fieldId,
            String field,
            @Nullable UUID stopId,
            @Nullable String stop,
            @Nullable UUID visitId,
            @Nullable LocalDate visitedOn,
            @Nullable String texture,
            List<Faces.FindingView> findings,
            List<Faces.Band> bands,
            GroundPicture ground) {}

    /** One side of a difference. */
    record SideView(
            int stops,
            double standing,
            String level,
            double half,
            @Nullable Double figure,
            @Nullable Double figureHalf) {}

    /** How one indicator at one depth differs, with its sentence. */
    record DifferenceView(
            String indicator,
            String label,
            String band,
            String depth,
            @Nullable String unit,
            @Nullable String pattern,
            SideView one,
            SideView other,
            double standing,
            @Nullable Double figure,
            double ratio,
            boolean defensible,
            String sentence) {}

    /**
     * Two places and how they differ.
     *
     * @param differences the strongest first
     * @param layout of all of them between both faces, one scale for both: by depth, the strongest of a band first,
     *     those that can't be told apart folded
     */
    record ComparisonView(
            ComparedPlace one,
            ComparedPlace other,
            List<DifferenceView> differences,
            FaceLayout layout,
            @Nullable String nothing) {}
}
