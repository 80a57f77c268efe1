package org.morphotera.core.limits;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What something done to a field has made old: readings before it, of the properties it changes, where it was done. */
public final class MadeOld {

    /**
     * What was done.
     *
     * @param kind as written, such as {@code lime}
     * @param stops where; {@code null} for everywhere
     */
    public record Done(LocalDate on, String kind, @Nullable Set<String> stops) {}

    private final List<Done> done;
    private final EvidenceTables tables;

    /** @param tables that say what changes which property */
    public MadeOld(List<Done> done, EvidenceTables tables) {
        this.done = List.copyOf(done);
        this.tables = tables;
    }

    /** Whether a reading of a property at a stop on a day says nothing any more. */
    public boolean is(String property, String stop, LocalDate readOn) {
        return done.stream()
                .filter(each -> readOn.isBefore(each.on()))
                .filter(each -> each.stops() == null || each.stops().contains(stop))
                .anyMatch(each -> tables.changedBy(each.kind()).contains(property));
    }
}
