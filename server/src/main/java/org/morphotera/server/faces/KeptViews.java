package org.morphotera.server.faces;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/**
 * What was worked out of a field, kept in memory for as long as nothing changed that it comes from. Whether something did
 * is asked of the database each time, so that it holds for several servers on the same data.
 */
@Component
public class KeptViews {

    /** Some hundred kilobytes each at most. */
    private static final int MOST = 300;

    private record Key(Class<?> type, UUID field) {}

    private record Kept(FieldState state, Object view) {}

    /**
     * All that a view of a field comes from, as counts that rise with each change.
     *
     * @param marks how often the field, its visits or its grower were marked as changed
     * @param people versions of those whose names are shown
     * @param products versions of what is bought, by which amounts are told
     * @param on the day, which ages of readings are counted to
     */
    record FieldState(long marks, long people, long products, LocalDate on) {}

    private final Cache<Key, Kept> views =
            Caffeine.newBuilder().maximumSize(MOST).build();
    private final StripMapper rows;
    private final Clock clock;

    KeptViews(StripMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * The view as it was worked out last, or anew.
     *
     * @param work reads all that it needs after the state was asked for
     */
    public <T> T of(Class<T> type, UUID practice, UUID field, Supplier<T> work) {
        StripMapper.Counts counts = rows.counts(practice, field);
        if (counts == null) {
            return work.get();
        }
        FieldState now = new FieldState(counts.marks(), counts.people(), counts.products(), LocalDate.now(clock));
        Key key = new Key(type, field);
        Kept kept = views.getIfPresent(key);
        if (kept != null && kept.state().equals(now)) {
            return type.cast(kept.view());
        }
        T view = work.get();
        views.put(key, new Kept(now, view));
        return view;
    }
}
