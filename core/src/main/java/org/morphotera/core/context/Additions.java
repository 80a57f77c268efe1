package org.morphotera.core.context;

import java.time.LocalDate;
import java.util.Locale;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.soil.Season;

/** What was brought onto a field and still matters to its readings, by the table {@code event.adds}. */
public final class Additions {

    private static final int BIOCHAR_MONTHS = 6;

    private final Table adds;

    /** @param benchmarks with the table of what events bring */
    public Additions(Benchmarks benchmarks) {
        this.adds = benchmarks.table("event.adds");
    }

    /**
     * Whether fresh carbon came in in the last autumn before a day.
     *
     * @param event kind as written, such as {@code compost}
     * @param south on the southern hemisphere
     */
    public boolean carbonLastAutumn(String event, LocalDate on, LocalDate day, boolean south) {
        return brings(event, "carbon")
                && within(on, day, 12)
                && Season.ofMonth(on.getMonthValue(), south) == Season.AUTUMN;
    }

    /** Whether biochar came in within six months before a day. */
    public boolean biocharOfLate(String event, LocalDate on, LocalDate day) {
        return brings(event, "biochar") && within(on, day, BIOCHAR_MONTHS);
    }

    private boolean brings(String event, String what) {
        String written = event.strip().toLowerCase(Locale.ROOT).replace(' ', '-');
        return adds.rows().keySet().stream().anyMatch(key -> written.startsWith(key) && adds.at(key, what) > 0);
    }

    private static boolean within(LocalDate on, LocalDate day, int months) {
        return !on.isAfter(day) && on.isAfter(day.minusMonths(months));
    }
}
