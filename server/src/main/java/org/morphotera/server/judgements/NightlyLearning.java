package org.morphotera.server.judgements;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.methods.OwnRules;
import org.morphotera.server.storage.Threads;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** Lets practices that recorded since learn anew how their readings scatter, at three o'clock each night. */
@Component
class NightlyLearning implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(NightlyLearning.class);
    private static final int HOUR = 3;

    private final ScatterMapper rows;
    private final PracticeScatters scatters;
    private final OwnRules rules;
    private final Clock clock;
    private final boolean wanted;
    private volatile @Nullable ScheduledExecutorService thread;
    private volatile boolean stopping;

    NightlyLearning(
            ScatterMapper rows,
            PracticeScatters scatters,
            OwnRules rules,
            Clock clock,
            @Value("${morphotera.learn-nightly:true}") boolean wanted) {
        this.rows = rows;
        this.scatters = scatters;
        this.rules = rules;
        this.clock = clock;
        this.wanted = wanted;
    }

    /** Those in which something was recorded since they learned last. */
    void work() {
        try {
            for (ScatterMapper.Recorded each : rows.recorded()) {
                Instant learned = rules.learned(each.practiceId()).at();
                if (!stopping && (learned == null || learned.isBefore(each.newest()))) {
                    learn(each.practiceId());
                }
            }
        } catch (RuntimeException e) {
            LOG.warn("learning of practices could not be looked after: {}", e.getMessage());
        }
    }

    private void learn(UUID practice) {
        try {
            int learned = scatters.learn(practice, (done, of) -> {
                        if (stopping) {
                            throw new IllegalStateException("the server is being stopped");
                        }
                    })
                    .size();
            LOG.info("practice {} learned how readings of {} indicators scatter", practice, learned);
        } catch (RuntimeException e) {
            LOG.warn("practice {} could not learn how its readings scatter", practice, e);
        }
    }

    private Duration untilNight() {
        ZonedDateTime now = clock.instant().atZone(ZoneId.systemDefault());
        ZonedDateTime night = now.withHour(HOUR).withMinute(0).withSecond(0);
        return Duration.between(now, night.isAfter(now) ? night : night.plusDays(1));
    }

    @Override
    public void start() {
        if (wanted) {
            ScheduledExecutorService started = Executors.newSingleThreadScheduledExecutor(Threads.named("learning"));
            started.scheduleAtFixedRate(
                    this::work, untilNight().toSeconds() + 1, Duration.ofDays(1).toSeconds(), TimeUnit.SECONDS);
            thread = started;
        }
    }

    @Override
    public void stop() {
        stopping = true;
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
