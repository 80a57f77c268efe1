package org.morphotera.core.schedule;

import java.time.LocalDate;
import java.util.Set;
import org.morphotera.core.result.Level;

/** When to come back: salt and sodium every year, what holds a field back after a year, all else in three years. */
public final class Retest {

    private static final Set<String> YEARLY = Set.of("salinity", "sodicity", "dispersion");
    private static final int ROUTINE_YEARS = 3;

    private Retest() {}

    /**
     * @param lastVisit or {@code null}
     * @param limit indicator that stands lowest, or {@code null} when nothing holds the field back
     * @param level its level, or {@code null}
     * @return the same day of a later year; {@code null} without a visit
     */
    public static LocalDate dueOn(LocalDate lastVisit, String limit, Level level) {
        if (lastVisit == null) {
            return null;
        }
        boolean soon = limit != null && (YEARLY.contains(limit) || level == Level.FAILING || level == Level.STRAINED);
        return lastVisit.plusYears(soon ? 1 : ROUTINE_YEARS);
    }

    /** The earlier of two days, either of which may be {@code null}. */
    public static LocalDate earlier(LocalDate one, LocalDate other) {
        if (one == null || other == null) {
            return one == null ? other : one;
        }
        return one.isBefore(other) ? one : other;
    }
}
