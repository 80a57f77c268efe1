package org.morphotera.server.faces;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Summaries are made by one worker, never by whoever reads. */
class SummaryWorkerTest {

    private static final UUID PRACTICE = UUID.randomUUID();

    private final SummaryMapper rows = mock(SummaryMapper.class);
    private final FieldSummaries strips = mock(FieldSummaries.class);
    private final SummaryWorker worker = new SummaryWorker(rows, strips);

    private static SummaryMapper.Stale stale() {
        return new SummaryMapper.Stale(PRACTICE, UUID.randomUUID(), null, 1);
    }

    @AfterEach
    void stopped() {
        worker.stop();
    }

    @Test
    void whatIsLeftOverFromBeforeIsMadeAtTheStart() {
        SummaryMapper.Stale left = stale();
        when(rows.staleFields(anyInt())).thenReturn(List.of(left)).thenReturn(List.of());
        worker.start();
        verify(strips, timeout(2000)).refresh(left);
    }

    @Test
    void oneThatCantBeMadeKeepsNoOtherBack() {
        SummaryMapper.Stale broken = stale();
        SummaryMapper.Stale sound = stale();
        when(rows.staleFields(anyInt())).thenReturn(List.of(broken, sound)).thenReturn(List.of(broken));
        doThrow(new IllegalStateException("damaged")).when(strips).refresh(broken);
        worker.start();
        verify(strips, timeout(2000)).refresh(sound);
    }

    @Test
    void aListWaitsAMomentOnlyAndMakesNothing() {
        when(rows.countStale(PRACTICE)).thenReturn(3);
        long start = System.nanoTime();
        worker.settle(PRACTICE);
        assertThat((System.nanoTime() - start) / 1_000_000).isBetween(250L, 5000L);
        verify(strips, never()).refresh(any());
    }

    @Test
    void aListOfWhatIsReadyDoesNotWait() {
        long start = System.nanoTime();
        worker.settle(PRACTICE);
        assertThat((System.nanoTime() - start) / 1_000_000).isLessThan(250);
    }
}
