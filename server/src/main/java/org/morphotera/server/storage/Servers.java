package org.morphotera.server.storage;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Which servers are at work on the same data, so that none takes what another does for something that was left. A server
 * that is not heard of for a while has gone. A data file is opened by one at a time.
 */
@Component
public class Servers implements InitializingBean, DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(Servers.class);
    private static final Duration EVERY = Duration.ofSeconds(10);
    /** By the database's clock, and longer than it is away without anybody noticing. */
    private static final Duration GONE = Duration.ofSeconds(60);

    private final UUID id = UUID.randomUUID();
    private final JdbcTemplate jdbc;
    private final boolean file;
    private final List<Runnable> looks = new ArrayList<>();
    private final ScheduledExecutorService beat = Executors.newSingleThreadScheduledExecutor(Threads.named("servers"));
    private long round;

    Servers(JdbcTemplate jdbc, DataSourceProperties properties) {
        this.jdbc = jdbc;
        this.file = DataFile.of(properties.determineUrl()) != null;
    }

    /** This one. */
    public UUID id() {
        return id;
    }

    /** Whoever was last heard of before this has gone. */
    public Instant gone() {
        return now().minus(GONE);
    }

    /** Has something done every minute, to take over what a server that has gone left. */
    public synchronized void whenOneHasGone(Runnable look) {
        looks.add(look);
    }

    private Instant now() {
        return jdbc.queryForObject("select current_timestamp", OffsetDateTime.class)
                .toInstant()
                .truncatedTo(ChronoUnit.MILLIS);
    }

    @Override
    public void afterPropertiesSet() {
        if (file) {
            jdbc.update("delete from server");
        }
        jdbc.update("insert into server (id, seen_at) values (?, current_timestamp)", id);
        if (!file) {
            beat.scheduleWithFixedDelay(this::beat, EVERY.toSeconds(), EVERY.toSeconds(), TimeUnit.SECONDS);
        }
    }

    private void beat() {
        try {
            if (jdbc.update("update server set seen_at = current_timestamp where id = ?", id) == 0) {
                jdbc.update("insert into server (id, seen_at) values (?, current_timestamp)", id);
            }
            if (++round % 6 == 0) {
                jdbc.update("delete from server where seen_at < ?", gone().atOffset(ZoneOffset.UTC));
                List<Runnable> all;
                synchronized (this) {
                    all = List.copyOf(looks);
                }
                all.forEach(Runnable::run);
            }
        } catch (RuntimeException e) {
            LOG.debug("the database was not told of this server: {}", e.getMessage());
        }
    }

    @Override
    public void destroy() {
        Threads.end(beat, 5);
        try {
            jdbc.update("delete from server where id = ?", id);
        } catch (RuntimeException e) {
            LOG.debug("the database was not told of the end: {}", e.getMessage());
        }
    }
}
