package org.morphotera.core.judgement;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * All readings of one indicator in one depth band of one field, on the indicator's model scale.
 *
 * @param visits in any order; those without a reading count for nothing
 * @param stops in any order; those without a reading count for nothing
 * @param readings readings of one stop, visit, kind and person are replicates
 */
public record ModelReadings(List<Visit> visits, List<Stop> stops, List<Event> events, List<Reading> readings) {

    /** @param years when it was, in years from any day that is the same for all */
    public record Visit(String id, double years) {}

    /**
     * @param patch named patch that it lies in; {@code null} for the routine field
     * @param untreated whether it is left alone by what is done to the field
     */
    public record Stop(String id, @Nullable String patch, boolean untreated) {}

    /**
     * What was done to the field.
     *
     * @param years when it was done; it acts on visits after that
     * @param expected what it should do, on the model scale
     * @param sd standard deviation of that
     * @param stops those that it was done on; {@code null} for all but those left alone
     */
    public record Event(
            double years,
            double expected,
            double sd,
            @Nullable Set<String> stops) {

        boolean treats(Stop stop) {
            return stops == null ? !stop.untreated() : stops.contains(stop.id());
        }
    }

    /**
     * @param kind instrument or key
     * @param person who scored it; {@code null} where that makes no difference
     * @param sd of this reading by its instrument, over 0
     * @param kindSd of what the kind can be off against the reference one; 0 for the reference one
     */
    public record Reading(
            String stop,
            String visit,
            @Nullable String kind,
            @Nullable String person,
            double value,
            double sd,
            double kindSd) {}
}
