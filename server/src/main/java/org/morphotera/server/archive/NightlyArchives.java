package org.morphotera.server.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.morphotera.server.storage.Threads;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Makes the archives that practices want every night, from two o'clock on, or when the server is next there; and takes
 * the oldest away. A practice writes into its own folder only.
 */
@Component
class NightlyArchives implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(NightlyArchives.class);
    private static final int FROM_HOUR = 2;
    private static final long EVERY_MINUTES = 10;

    private final ArchiveMapper rows;
    private final Archives archives;
    private final Clock clock;
    private final Path root;
    private volatile ScheduledExecutorService thread;
    private volatile boolean stopping;

    NightlyArchives(ArchiveMapper rows, Archives archives, Clock clock, @Value("${morphotera.archives}") String root) {
        this.rows = rows;
        this.archives = archives;
        this.clock = clock;
        this.root = Path.of(root).toAbsolutePath();
    }

    /** Where the archives of a practice lie: the same name given by two practices means two folders. */
    Path folder(UUID practice, String name) {
        return root.resolve(name + "-" + practice.toString().substring(0, 8));
    }

    /** Makes what is due. */
    void work() {
        try {
            for (ArchiveMapper.Row each : rows.nightly()) {
                if (due(each.lastAt()) && rows.claim(each.practiceId(), each.lastAt(), now()) == 1) {
                    make(each);
                }
            }
        } catch (RuntimeException e) {
            LOG.warn("nightly archives could not be looked after: {}", e.getMessage());
        }
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MILLIS);
    }

    private boolean due(Instant last) {
        ZonedDateTime now = clock.instant().atZone(ZoneId.systemDefault());
        ZonedDateTime night = now.truncatedTo(ChronoUnit.DAYS).plusHours(FROM_HOUR);
        ZonedDateTime latest = now.isBefore(night) ? night.minusDays(1) : night;
        return last == null || last.isBefore(latest.toInstant());
    }

    private void make(ArchiveMapper.Row setting) {
        String said;
        try {
            Path folder = folder(setting.practiceId(), setting.folder());
            Files.createDirectories(folder);
            Path file = folder.resolve(archives.nameNow(setting.practiceId()));
            archives.write(setting.practiceId(), file, (done, total) -> {
                if (stopping) {
                    throw new IllegalStateException("the server was stopped");
                }
            });
            said = "Made " + file.getFileName() + ", " + Math.max(1, Files.size(file) >> 10) + " kB.";
            prune(folder, setting.keep());
        } catch (DamagedArchiveException e) {
            LOG.error("the nightly archive of {} can't be read back", setting.practiceId(), e);
            said = e.told();
        } catch (IOException | RuntimeException e) {
            LOG.warn("the nightly archive of {} could not be made", setting.practiceId(), e);
            said = "It could not be made: " + e.getMessage() + ". See that the disk has room.";
        }
        if (stopping) {
            rows.leave(setting.practiceId(), setting.lastAt());
        } else {
            rows.made(setting.practiceId(), now(), said.substring(0, Math.min(400, said.length())));
        }
    }

    private static void prune(Path folder, int keep) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> old = files.filter(file -> file.toString().endsWith(".zip"))
                    .sorted(Comparator.comparing(NightlyArchives::made).reversed())
                    .skip(keep)
                    .toList();
            for (Path each : old) {
                Files.delete(each);
            }
        }
    }

    /** The moment in its name: the last three parts of it, which order as time does. */
    private static String made(Path file) {
        String name = file.getFileName().toString();
        return name.substring(Math.max(0, name.length() - "uuuu-MM-dd-HHmmss.zip".length()));
    }

    @Override
    public void start() {
        ScheduledExecutorService started =
                Executors.newSingleThreadScheduledExecutor(Threads.named("nightly archives"));
        started.scheduleWithFixedDelay(this::work, 1, EVERY_MINUTES, TimeUnit.MINUTES);
        thread = started;
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
