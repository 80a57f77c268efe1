package org.morphotera.server.viewcache;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * What was worked out of a field, kept in memory for as long as nothing changed that it comes from. Whether something did
 * is asked of the database each time, so that it holds for several servers on the same data.
 */
@Component
public class ViewCache {

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

    /** So many kinds of view share what may be kept. */
    private static final int KINDS = 4;

    /** One for each kind: a view may ask for another kind while it is worked out. */
    private final Map<Class<?>, Cache<UUID, Kept>> views = new ConcurrentHashMap<>();

    private final int most;
    private final ViewCounts rows;
    private final Clock clock;

    /** @param most some hundred kilobytes each; none where each is to be worked out anew */
    ViewCache(ViewCounts rows, Clock clock, @Value("${morphotera.kept-views:300}") int most) {
        this.most = (most + KINDS - 1) / KINDS;
        this.rows = rows;
        this.clock = clock;
    }

    private Cache<UUID, Kept> empty() {
        // what is over the most goes at once, not when some other thread comes to it
        return Caffeine.newBuilder().maximumSize(most).executor(Runnable::run).build();
    }

    /**
     * The view as it was worked out last, or anew. It may ask for views of other kinds, not of its own.
     *
     * @param work reads all that it needs after the state was asked for
     */
    public <T> T of(Class<T> type, UUID practice, UUID field, Supplier<T> work) {
        ViewCounts.Counts counts = rows.counts(practice, field);
        if (counts == null) {
            return work.get();
        }
        FieldState now = new FieldState(counts.marks(), counts.people(), counts.products(), LocalDate.now(clock));
        Cache<UUID, Kept> kind = views.computeIfAbsent(type, each -> empty());
        Kept kept = kind.getIfPresent(field);
        if (kept == null || !kept.state().equals(now)) {
            // of many who ask at the same time one works it out, the others wait for it
            kept = kind.asMap()
                    .compute(
                            field,
                            (same, before) ->
                                    before != null && before.state().equals(now) ? before : new Kept(now, work.get()));
        }
        return type.cast(kept.view());
    }
}
