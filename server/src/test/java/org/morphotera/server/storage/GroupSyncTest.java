package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Writes that wait together share a sync, and none is answered by one that began before it was committed. */
@Tag("no-database")
class GroupSyncTest {

    @Test
    void oneAloneSyncsForItself() {
        AtomicInteger syncs = new AtomicInteger();
        GroupSync group = new GroupSync();
        group.await(syncs::incrementAndGet);
        group.await(syncs::incrementAndGet);
        assertThat(syncs).hasValue(2);
    }

    @Test
    void manySyncTogetherAndNoneReturnsBeforeASyncThatBeganAfterIt() throws InterruptedException {
        AtomicInteger begun = new AtomicInteger();
        AtomicInteger ended = new AtomicInteger();
        GroupSync group = new GroupSync();
        Runnable sync = () -> {
            begun.incrementAndGet();
            sleep(4);
            ended.incrementAndGet();
        };
        AtomicInteger early = new AtomicInteger();
        List<Thread> writers = new ArrayList<>();
        CountDownLatch go = new CountDownLatch(1);
        for (int i = 0; i < 16; i++) {
            Thread writer = new Thread(() -> {
                try {
                    go.await();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
                for (int n = 0; n < 20; n++) {
                    int before = begun.get();
                    group.await(sync);
                    if (ended.get() <= before) {
                        early.incrementAndGet();
                    }
                }
            });
            writer.start();
            writers.add(writer);
        }
        go.countDown();
        for (Thread writer : writers) {
            writer.join();
        }
        assertThat(early).hasValue(0);
        assertThat(begun.get()).isBetween(20, 160);
    }

    @Test
    void aSyncThatFailsAcknowledgesNothing() {
        AtomicInteger left = new AtomicInteger(1);
        GroupSync group = new GroupSync();
        Runnable sync = () -> {
            if (left.getAndDecrement() > 0) {
                throw new IllegalStateException("no space");
            }
        };
        assertThatThrownBy(() -> group.await(sync)).hasMessage("no space");
        group.await(sync);
        assertThat(left.get()).isNegative();
    }

    private static void sleep(long ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
