package org.morphotera.server.reports;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Few reports are made at once, few wait, and none for long. */
@Tag("no-database")
class PressTest {

    private static void await(CountDownLatch latch) {
        try {
            latch.await(10, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void moreThanFitAreToldToComeBack() {
        Press press = new Press(2, 3, 10_000);
        CountDownLatch held = new CountDownLatch(1);
        AtomicInteger most = new AtomicInteger();
        AtomicInteger now = new AtomicInteger();
        List<CompletableFuture<String>> made = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            made.add(press.make(() -> {
                most.accumulateAndGet(now.incrementAndGet(), Math::max);
                await(held);
                now.decrementAndGet();
                return "report";
            }));
        }
        assertThat(made.stream().filter(CompletableFuture::isCompletedExceptionally))
                .hasSize(3);
        assertThatThrownBy(made.get(7)::join).hasCauseInstanceOf(BusyException.class);
        held.countDown();
        assertThat(made.subList(0, 5).stream().map(CompletableFuture::join)).containsOnly("report");
        assertThat(most).hasValue(2);
        press.destroy();
    }

    @Test
    void oneThatTakesTooLongIsGivenUpAndTheNextIsMade() {
        Press press = new Press(1, 3, 200);
        CountDownLatch held = new CountDownLatch(1);
        CompletableFuture<String> slow = press.make(() -> {
            await(held);
            return "late";
        });
        assertThatThrownBy(slow::join).hasCauseInstanceOf(BusyException.class);
        held.countDown();
        assertThat(press.make(() -> "next").join()).isEqualTo("next");
        press.destroy();
    }

    @Test
    void aFailureIsTheCallersToHear() {
        Press press = new Press(1, 1, 1000);
        CompletableFuture<String> failed = press.make(() -> {
            throw new IllegalArgumentException("no such field");
        });
        assertThatThrownBy(failed::join).hasRootCauseMessage("no such field");
        press.destroy();
    }
}
