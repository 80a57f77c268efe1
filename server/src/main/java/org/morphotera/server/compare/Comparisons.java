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

    /**
     * One place at one time: a field, one of its patches or one of its stops; on a visit, or by the newest of each test.
     *
     * @param patch code of the patch, {@code routine} for what lies in none
     * @param name as it is read, such as {@code the poor patch}
     */
    record ComparedPlace(
            UUID fieldId,
            String field,
            @Nullable UUID stopId,
            @Nullable String stop,
            @Nullable String patch,
            String name,
            @Nullable UUID visitId,
            @Nullable LocalDate visitedOn,
            @Nullable String texture,
            List<Faces.FindingView> findings,
            List<Faces.Band> bands,
            GroundPicture ground) {}

    /** One side of a difference, as the model has it. */
    record SideView(
            int stops,
            double standing,
            String level,
            @Nullable Double figure) {}

    /**
     * How one indicator at one depth differs, with its sentence.
     *
     * @param mean other less one with its interval of 95 %, or their ratio where {@code logarithmic}
     * @param ratio how many times its half-width it is; from 1 on it is told
     */
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
            boolean logarithmic,
            double mean,
            double low,
            double high,
            double ratio,
            boolean defensible,
            String sentence) {}

    /** A side that can be chosen within a field: its patch, or {@code null} for all stops that speak for it. */
    record PatchChoice(String patch, String name, int stops) {}

    /**
     * Two places and how they differ.
     *
     * @param patches of the first field that can be chosen
     * @param differences the strongest first
     * @param layout of all of them between both faces, one scale for both: by depth, the strongest of a band first,
     *     those that can't be told apart folded
     */
    record ComparisonView(
            ComparedPlace one,
            ComparedPlace other,
            List<PatchChoice> patches,
            List<DifferenceView> differences,
            FaceLayout layout,
            @Nullable String nothing) {}
}
