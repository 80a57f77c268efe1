package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/**
 * All that is known of a field: what its judgement is worked out of, wherever it is kept.
 *
 * @param on the day it is judged for; what lies after it is not looked at
 * @param place what its figures are scored for
 */
public record JudgedField(
        LocalDate on,
        FigureScore.Place place,
        List<Stop> stops,
        List<Visit> visits,
        List<Event> events,
        List<Reading> readings) {

    /**
     * @param patch named patch, or {@code null}: then the role says which
     * @param zone of several stops that share an area; {@code null} for none
     * @param areaPct of the field that its patch or zone makes up, 0 to 100; {@code null} where nobody said
     */
    public record Stop(
            String id,
            String label,
            StopRole role,
            @Nullable String patch,
            @Nullable String zone,
            @Nullable Double areaPct) {

        /** A stop whose share of the field nobody said. */
        public Stop(String id, String label, StopRole role, @Nullable String patch) {
            this(id, label, role, patch, null, null);
        }

        /** The patch that it lies in; {@code null} for the routine field. */
        public @Nullable String inPatch() {
            return patch != null ? patch : role == StopRole.ROUTINE ? null : role.patch();
        }
    }

    /** @param person who made it, or {@code null} */
    public record Visit(String id, LocalDate on, @Nullable String person) {}

    /**
     * What was done.
     *
     * @param kind as written, such as {@code lime}
     * @param what in words
     * @param limeTHa calcium carbonate spread, t/ha; {@code null} for all but lime of a known amount
     * @param stops where; {@code null} for all that are not left alone
     */
    public record Event(
            String id,
            LocalDate on,
            String kind,
            String what,
            @Nullable Double limeTHa,
            @Nullable Set<String> stops) {}

    /**
     * One reading of an indicator.
     *
     * @param id of the measurement
     * @param band code of its depth
     * @param kind instrument or key, or {@code null}
     * @param apart whether figures of another kind mean other things
     * @param score 0 to 1
     * @param figure {@code null} where it has only a score
     * @param low and {@code high}: interval of the figure, or {@code null}
     * @param unit metric symbol, or {@code null}
     * @param marks codes of what was noted on it, such as that it was dry
     */
    public record Reading(
            String id,
            String indicator,
            String band,
            String method,
            @Nullable String kind,
            boolean apart,
            Source source,
            String stop,
            String visit,
            double score,
            @Nullable Double figure,
            @Nullable Double low,
            @Nullable Double high,
            @Nullable String unit,
            @Nullable DepthLayer layer,
            Set<String> marks) {}
}
