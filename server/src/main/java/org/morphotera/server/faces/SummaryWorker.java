package org.morphotera.server.faces;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.morphotera.server.fields.FieldChanged;
import org.morphotera.server.fields.GrowerChanged;
import org.morphotera.server.storage.Threads;
import org.morphotera.server.visits.VisitChanged;
import org.morphotera.server.visits.VisitGone;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;

/** The one that makes stale strips again: after each write, and what is left over from before a start. */
@Component
class SummaryWorker implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(SummaryWorker.class);
    private static final int AT_ONCE = 50;
    private static final long EVERY_S = 5;
    /** So many at once are worth a line in the log. */
    private static final int MANY = 500;
    /** Writes that follow each other are made into one strip. */
    private static final long PAUSE_MS = 250;
    /** So long a list waits for strips that are being made; what is not ready then it makes for itself. */
    private static final long PATIENCE_MS = 300;

    private final SummaryMapper rows;
    private final FieldSummaries strips;
    private final AtomicBoolean wanted = new AtomicBoolean();
    private final Object made = new Object();
    private volatile ScheduledExecutorService thread;

    SummaryWorker(SummaryMapper rows, FieldSummaries strips) {
        this.rows = rows;
        this.strips = strips;
    }

    @TransactionalEventListener(
            classes = {FieldChanged.class, GrowerChanged.class, VisitChanged.class, VisitGone.class},
            phase = TransactionPhase.AFTER_COMMIT)
    void written() {
        soon(PAUSE_MS);
    }

    private void soon(long inMs) {
        ScheduledExecutorService running = thread;
        if (running != null && !running.isShutdown() && wanted.compareAndSet(false, true)) {
            running.schedule(this::work, inMs, TimeUnit.MILLISECONDS);
        }
    }

    /** Waits a moment for the practice's strips to be made, where some are stale. */
    void settle(UUID practice) {
        long until = System.currentTimeMillis() + PATIENCE_MS;
        boolean asked = false;
        while (rows.countStale(practice) > 0) {
            long left = until - System.currentTimeMillis();
            if (left <= 0) {
                return;
            }
            if (!asked) {
                asked = true;
                wanted.set(false);
                soon(0);
            }
            synchronized (made) {
                try {
                    made.wait(Math.min(left, 20));
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                }
            }
        }
    }

    private void work() {
        wanted.set(false);
        int count = 0;
        try {
            for (List<SummaryMapper.Stale> stale = stale(); !stale.isEmpty(); stale = stale()) {
                int failed = 0;
                for (SummaryMapper.Stale each : stale) {
                    failed += refresh(each) ? 0 : 1;
                }
                count += stale.size() - failed;
                synchronized (made) {
                    made.notifyAll();
                }
                if (failed == stale.size() || thread == null) {
                    return;
                }
            }
        } catch (RuntimeException e) {
            LOG.warn("strips could not be made: {}", e.getMessage());
        }
        if (count >= MANY) {
            LOG.info("made {} strips", count);
        }
    }

    private List<SummaryMapper.Stale> stale() {
        List<SummaryMapper.Stale> stale = new ArrayList<>(rows.staleFields(AT_ONCE));
        stale.addAll(rows.staleVisits(AT_ONCE));
        return stale;
    }

    private boolean refresh(SummaryMapper.Stale stale) {
        try {
            strips.refresh(stale);
            return true;
        } catch (RuntimeException e) {
            LOG.warn("the strip of field {} could not be made", stale.fieldId(), e);
            return false;
        }
    }

    @Override
    public void start() {
        ScheduledExecutorService started = Executors.newSingleThreadScheduledExecutor(Threads.named("strips"));
        started.scheduleWithFixedDelay(this::work, 0, EVERY_S, TimeUnit.SECONDS);
        thread = started;
    }

    @Override
    public void stop() {
        ScheduledExecutorService running = thread;
        thread = null;
        if (running != null) {
            Threads.end(running, 5);
        }
    }

    @Override
    public boolean isRunning() {
        return thread != null;
    }
}
