package org.morphotera.server.storage;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Properties;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.h2.mvstore.FileStore;
import org.h2.mvstore.MVStore;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * Watches the database: whether it answers, whether its disk has room, how large its file has grown. Opens it again
 * after a failure, and makes the file smaller in the background and at the stop.
 */
@Component
public class Store implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Store.class);
    private static final long EVERY_MS = 1000;
    private static final int BUSY_EVERY = 5;
    private static final int COMPACT_MS = 100;
    /** Below this size nothing is worth the work. */
    private static final long SMALL = 3L << 20;

    private static final double GROWN_IDLE = 1.3;
    private static final double GROWN_BUSY = 2.2;
    /** A pass that makes the file smaller than ever by less than this share was in vain. */
    private static final double IN_VAIN = 0.02;

    /** So many passes may be in vain, since some only make room for the next; from then on they are further and further apart. */
    private static final int PATIENCE = 15;

    private static final long LONGEST_PAUSE_NS = TimeUnit.MINUTES.toNanos(10);

    private final HikariDataSource source;
    private final DataSourceProperties properties;
    private final @Nullable DataFile file;
    private final Backup backup;
    private final long reserve;
    private final LongSupplier room;
    private volatile StoreState state = StoreState.OPEN;
    private volatile boolean suspected;
    private @Nullable ScheduledExecutorService watch;
    private @Nullable Connection probe;
    private long lastVersion;
    private int round;
    private int inVain;
    private long pauseNs;
    private long passAt = System.nanoTime();
    private long smallest = 1;

    Store(
            HikariDataSource source,
            DataSourceProperties properties,
            Backup backup,
            @Value("${morphotera.reserve:32MB}") DataSize reserve) {
        this.source = source;
        this.properties = properties;
        this.file = DataFile.of(properties.determineUrl());
        this.backup = backup;
        this.reserve = reserve.toBytes();
        this.room = file == null ? () -> Long.MAX_VALUE : file::room;
    }

    /** What can be done now; for writes it looks at the disk's room at this moment. */
    public StoreState state() {
        StoreState now = state;
        if (now == StoreState.OPEN || now == StoreState.FULL) {
            return room.getAsLong() < reserve ? StoreState.FULL : StoreState.OPEN;
        }
        return now;
    }

    /** What a failure that was just met comes from, before it is looked into. */
    StoreState afterFailure() {
        return file == null ? StoreState.AWAY : state() == StoreState.FULL ? StoreState.FULL : StoreState.CLOSED;
    }

    /** Bytes of room that its disk must have for writes. */
    public long reserve() {
        return reserve;
    }

    /** A request met a failure of the database: it is looked at now, and not only at the next round. */
    public void suspect() {
        suspected = true;
        ScheduledExecutorService running = watch;
        if (running != null && !running.isShutdown()) {
            running.execute(this::look);
        }
    }

    @Override
    public void start() {
        ScheduledExecutorService started = Executors.newSingleThreadScheduledExecutor(Threads.named("store"));
        started.scheduleWithFixedDelay(this::round, EVERY_MS, EVERY_MS, TimeUnit.MILLISECONDS);
        watch = started;
    }

    private void round() {
        try {
            look();
            if (file != null && state == StoreState.OPEN) {
                keepSmall();
                backup.answerRequest(file, source);
            }
        } catch (RuntimeException e) {
            LOG.warn("watching the database failed", e);
        }
    }

    /** Asks the database, where there is reason to. */
    private synchronized void look() {
        if (file == null) {
            lookAtServer();
        } else if (suspected || state == StoreState.CLOSED) {
            lookAtFile();
        }
    }

    private void lookAtServer() {
        try {
            if (probe == null) {
                Properties login = new Properties();
                login.put("user", properties.determineUsername());
                login.put("password", properties.determinePassword());
                login.put("socketTimeout", "2");
                probe = DriverManager.getConnection(StorageConfiguration.withLimits(properties.determineUrl()), login);
            }
            probe.createStatement().execute("select 1");
            become(StoreState.OPEN);
        } catch (SQLException e) {
            become(StoreState.AWAY);
            closeProbe();
        }
        suspected = false;
    }

    private void lookAtFile() {
        suspected = false;
        try (Connection connection = source.getConnection()) {
            StorageConfiguration.sync(connection);
            become(StoreState.OPEN);
            return;
        } catch (SQLException | RuntimeException e) {
            if (StoreFailure.busy(e)) {
                // nothing was learnt: it is looked at again at the next round
                suspected = true;
                return;
            }
            become(StoreState.CLOSED);
        }
        reopen();
    }

    private void reopen() {
        try (Connection broken = source.getConnection()) {
            broken.createStatement().execute("shutdown immediately");
        } catch (SQLException e) {
            LOG.debug("it was closed already", e);
        }
        source.getHikariPoolMXBean().softEvictConnections();
        if (room.getAsLong() < reserve) {
            return;
        }
        try (Connection connection = source.getConnection()) {
            StorageConfiguration.tune(StorageConfiguration.store(connection));
            StorageConfiguration.sync(connection);
            become(StoreState.OPEN);
        } catch (SQLException | RuntimeException e) {
            LOG.warn("the data file can't be opened yet: {}", e.getMessage());
        }
    }

    private void become(StoreState now) {
        if (state != now) {
            LOG.warn("the database was {}, is {}", state, now);
            state = now;
        }
    }

    private void closeProbe() {
        try {
            if (probe != null) {
                probe.close();
            }
        } catch (SQLException e) {
            LOG.debug("closing a broken connection", e);
        }
        probe = null;
    }

    /** Bytes of the file that hold what is still referred to, about. */
    private static double live(FileStore<?> pages) {
        return (double) pages.size() * pages.getFillRate() / 100 * pages.getChunksFillRate() / 100;
    }

    /** Syncs what no request waited for, and gives back room that old versions of pages take. */
    private void keepSmall() {
        round++;
        try (Connection connection = source.getConnection()) {
            MVStore store = StorageConfiguration.store(connection);
            FileStore<?> pages = store.getFileStore();
            boolean idle = store.getCurrentVersion() <= lastVersion + 1;
            StorageConfiguration.sync(connection);
            lastVersion = store.getCurrentVersion();
            double live = live(pages);
            boolean grown = pages.size() > (idle ? SMALL : 4 * SMALL) + live * (idle ? GROWN_IDLE : GROWN_BUSY);
            // what is estimated to be live is too little at times: without a pause it would be tried for ever
            if (pages.size() > 2 * smallest) {
                smallest = pages.size();
                inVain = 0;
                pauseNs = 0;
            }
            boolean due = System.nanoTime() - passAt >= pauseNs;
            if (grown && due && (idle || round % BUSY_EVERY == 0) && room.getAsLong() > reserve) {
                synchronized (StorageConfiguration.FILE) {
                    store.compactFile(COMPACT_MS);
                }
                StorageConfiguration.tune(store);
                boolean smaller = pages.size() < smallest * (1 - IN_VAIN);
                inVain = smaller ? 0 : inVain + 1;
                smallest = Math.min(smallest, pages.size());
                pauseNs = inVain > PATIENCE ? Math.min(LONGEST_PAUSE_NS, 2 * pauseNs + TimeUnit.SECONDS.toNanos(1)) : 0;
                passAt = System.nanoTime();
                lastVersion = store.getCurrentVersion();
            }
        } catch (SQLException | RuntimeException e) {
            if (!StoreFailure.busy(e)) {
                LOG.warn("keeping the data file small failed: {}", e.getMessage());
                suspect();
            }
        }
    }

    /** Stops watching; where the file is larger than what it holds, it is written anew without the holes. */
    @Override
    public void stop() {
        ScheduledExecutorService running = watch;
        watch = null;
        if (running == null) {
            return;
        }
        Threads.end(running, 10);
        closeProbe();
        if (file != null && state == StoreState.OPEN) {
            compactAtStop();
        }
    }

    private void compactAtStop() {
        long before = file.size();
        boolean done = false;
        try (Connection connection = source.getConnection()) {
            FileStore<?> pages = StorageConfiguration.store(connection).getFileStore();
            double live = live(pages);
            if (before > SMALL && before > live * GROWN_IDLE && file.room() > live + reserve) {
                connection.createStatement().execute("shutdown compact");
                file.ownerOnly();
                done = true;
                LOG.info("compacted the data file from {} to {} MB", before >> 20, file.size() >> 20);
            }
        } catch (SQLException | RuntimeException e) {
            // once it is done, the connection that did it finds its database closed
            if (!done) {
                LOG.warn("compacting at the stop failed, the file is as it was: {}", e.getMessage());
            }
        }
    }

    @Override
    public boolean isRunning() {
        return watch != null;
    }

    /** Before requests are taken, and after the last was answered. */
    @Override
    public int getPhase() {
        return 0;
    }
}
