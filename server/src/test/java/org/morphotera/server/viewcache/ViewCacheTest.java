package org.morphotera.server.viewcache;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** A view is worked out once for all who ask, until something it comes from changes. */
@Tag("no-database")
class ViewCacheTest {

    private static final UUID PRACTICE = new UUID(0, 1);
    private static final UUID FIELD = new UUID(0, 2);

    private final ViewCounts counts = mock(ViewCounts.class);
    private final AtomicInteger worked = new AtomicInteger();

    private ViewCache at(String day, int most) {
        Clock clock = Clock.fixed(Instant.parse(day + "T12:00:00Z"), ZoneOffset.UTC);
        return new ViewCache(counts, clock, most);
    }

    private void stands(long marks, long people, long products) {
        when(counts.counts(any(), any())).thenReturn(new ViewCounts.Counts(marks, people, products));
    }

    private int ask(ViewCache views) {
        return views.of(Integer.class, PRACTICE, FIELD, worked::incrementAndGet);
    }

    @Test
    void whatChangedIsWorkedOutAnew() {
        ViewCache views = at("2026-05-04", 300);
        stands(1, 1, 1);
        assertThat(List.of(ask(views), ask(views))).containsExactly(1, 1);
        stands(2, 1, 1);
        assertThat(ask(views)).isEqualTo(2);
        stands(2, 2, 1);
        assertThat(ask(views)).isEqualTo(3);
        stands(2, 2, 2);
        assertThat(List.of(ask(views), ask(views))).containsExactly(4, 4);
        // another kind of view of the same field is another one
        assertThat(views.of(String.class, PRACTICE, FIELD, () -> "other")).isEqualTo("other");
        assertThat(ask(views)).isEqualTo(4);
    }

    @Test
    void aViewMayAskForAnotherKindWhileItIsWorkedOut() {
        ViewCache views = at("2026-05-04", 4000);
        stands(1, 1, 1);
        // of so many fields some lie side by side in whatever they are kept in
        for (int i = 0; i < 2000; i++) {
            UUID field = new UUID(i, 2);
            String view = views.of(
                    String.class,
                    PRACTICE,
                    field,
                    () -> "view of " + views.of(Integer.class, PRACTICE, field, worked::incrementAndGet));
            assertThat(view).isEqualTo("view of " + (i + 1));
        }
    }

    @Test
    void whoKeepsNoneWorksEachOut() {
        ViewCache views = at("2026-05-04", 0);
        stands(1, 1, 1);
        for (int i = 1; i <= 3; i++) {
            assertThat(ask(views)).isEqualTo(i);
        }
    }

    @Test
    void aFailureIsNotKept() {
        ViewCache views = at("2026-05-04", 300);
        stands(1, 1, 1);
        assertThatThrownBy(() -> views.of(Integer.class, PRACTICE, FIELD, () -> {
                    throw new IllegalStateException("away");
                }))
                .hasMessage("away");
        assertThat(ask(views)).isEqualTo(1);
    }

    @Test
    void ofManyWhoAskAtTheSameTimeOneWorksItOut() throws Exception {
        ViewCache views = at("2026-05-04", 300);
        stands(1, 1, 1);
        CountDownLatch all = new CountDownLatch(8);
        ExecutorService threads = Executors.newFixedThreadPool(8);
        try {
            List<Future<Integer>> asked = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                asked.add(threads.submit(() -> {
                    all.countDown();
                    assertThat(all.await(10, TimeUnit.SECONDS)).isTrue();
                    return views.of(Integer.class, PRACTICE, FIELD, () -> {
                        sleep();
                        return worked.incrementAndGet();
                    });
                }));
            }
            for (Future<Integer> each : asked) {
                assertThat(each.get(20, TimeUnit.SECONDS)).isEqualTo(1);
            }
        } finally {
            threads.shutdownNow();
        }
        assertThat(worked).hasValue(1);
    }

    private static void sleep() {
        try {
            Thread.sleep(200);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
