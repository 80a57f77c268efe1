package org.morphotera.server.jobs;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.storage.Servers;
import org.morphotera.server.storage.Threads;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.Assert;
import org.springframework.web.ErrorResponseException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Does long work apart from the threads that answer, and keeps how far it is and what came of it. */
@Component
public class Jobs implements SmartLifecycle {

    /** What a job does. */
    public interface Work {
        /**
         * @return what came of it, as a plain tree
         * @throws RefusedException where its input can't be used
         */
        Map<String, Object> run(Handle handle) throws Exception;
    }

    /** The server is being stopped; the work is undone and can be begun again. */
    private static final class StoppedException extends RuntimeException {

        private static final long serialVersionUID = 1L;
    }

    /** By which work says how far it is. */
    public final class Handle {

        private final UUID id;
        private final Path file;
        private long told = System.nanoTime();
        private volatile long done;
        private volatile long total;

        private Handle(UUID id, Path file) {
            this.id = id;
            this.file = file;
        }

        /** Says how far the work is; to be called often, for it is also where work ends when the server stops. */
        public void at(long nowDone, long ofTotal) {
            done = nowDone;
            total = ofTotal;
            if (System.nanoTime() - told > TOLD_EVERY_NS) {
                told = System.nanoTime();
                rows.progress(id, nowDone, ofTotal);
            }
            if (stopping) {
                throw new StoppedException();
            }
        }

        /** Where a file that the work makes goes. */
        public Path file() {
            return file;
        }
    }

    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);
    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};
    private static final int AT_ONCE = 2;
    private static final int WAITING = 8;
    private static final long TOLD_EVERY_NS = 2_000_000_000L;
    private static final Duration KEPT = Duration.ofDays(7);
    /** Characters of a result that a row has room for. */
    private static final int LONGEST_RESULT = 200_000;

    private final JobMapper rows;
    private final WorkFolder folder;
    private final Audit audit;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final Clock clock;
    private final Servers servers;
    private final Map<UUID, Handle> running = new ConcurrentHashMap<>();
    private final ThreadPoolExecutor threads;
    private volatile boolean stopping;
    private volatile boolean started;

    Jobs(
            JobMapper rows,
            WorkFolder folder,
            JsonMapper json,
            Audit audit,
            TransactionTemplate transaction,
            Clock clock,
            Servers servers) {
        this.servers = servers;
        this.audit = audit;
        this.transaction = transaction;
        this.rows = rows;
        this.folder = folder;
        this.json = json;
        this.clock = clock;
        threads = new ThreadPoolExecutor(
                AT_ONCE, AT_ONCE, 0, TimeUnit.SECONDS, new ArrayBlockingQueue<>(WAITING), Threads.named("long work"));
    }

    /**
     * Begins work, and notes who did; it goes on when this returns. Not to be called within a transaction: work that ended
     * before its own row is stored would find nothing to end.
     *
     * @param needed role without which nobody sees the work or has its file, whoever began it
     */
    public Job start(Advisor who, Role needed, String kind, Work work) {
        Assert.state(
                !TransactionSynchronizationManager.isActualTransactionActive(), "begin work outside a transaction");
        UUID practice = who.practiceId();
        UUID id = UUID.randomUUID();
        Handle handle = new Handle(id, folder.file(practice, id));
        forget();
        transaction.executeWithoutResult(status -> {
            rows.insert(id, practice, who.id(), needed, kind, now(), servers.id());
            audit.note(who, kind, "job", id, null);
        });
        running.put(id, handle);
        try {
            threads.execute(() -> run(id, kind, handle, work));
        } catch (RejectedExecutionException e) {
            running.remove(id);
            rows.end(id, "failed", 0, 0, null, now());
            ErrorResponseException busy = new ErrorResponseException(HttpStatus.SERVICE_UNAVAILABLE);
            busy.setDetail("Too much long work waits already. Begin again when some of it is done.");
            busy.getHeaders().set("Retry-After", "60");
            throw busy;
        }
        return view(rows.job(practice, id), practice);
    }

    private void run(UUID id, String kind, Handle handle, Work work) {
        try {
            end(id, handle, "done", work.run(handle));
        } catch (RefusedException e) {
            end(id, handle, "refused", Map.of("errors", e.faults()));
        } catch (StoppedException e) {
            LOG.info("{} was stopped with the server; it can be begun again", kind);
        } catch (Exception | Error e) {
            // of an error too: work that nobody ends would be said to run for ever
            LOG.error("{} failed", kind, e);
            end(
                    id,
                    handle,
                    "failed",
                    Map.of("detail", "Something went wrong on our side. Try again; the log names it by " + id + "."));
        } finally {
            running.remove(id);
        }
    }

    private void end(UUID id, Handle handle, String state, Map<String, Object> result) {
        try {
            if (!state.equals("done")) {
                Files.deleteIfExists(handle.file);
            }
            rows.end(id, state, handle.done, handle.total, text(result), now());
        } catch (IOException | RuntimeException e) {
            LOG.error("what came of job {} could not be kept", id, e);
        }
    }

    private String text(Map<String, Object> result) {
        String text = json.writeValueAsString(result);
        return text.length() <= LONGEST_RESULT
                ? text
                : json.writeValueAsString(Map.of("detail", "What came of it is too long to keep."));
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MILLIS);
    }

    /** The newest that somebody may see. */
    List<Job> of(Advisor who) {
        return rows.jobs(who.practiceId(), who.id(), who.role() == Role.OWNER).stream()
                .map(row -> view(row, who.practiceId()))
                .toList();
    }

    /** @throws NotFoundException where there is none, or it is another's, or needs a role that they have not */
    Job require(Advisor who, UUID id) {
        JobMapper.Row row = rows.job(who.practiceId(), id);
        boolean theirs = row != null
                && (who.role() == Role.OWNER || row.personId().equals(who.id()) && row.role() != Role.OWNER);
        return view(NotFoundException.require(theirs ? row : null, "job"), who.practiceId());
    }

    void remove(Advisor who, UUID id) throws IOException {
        UUID practice = who.practiceId();
        Job job = require(who, id);
        if (job.state().equals("running")) {
            throw RefusedException.of("id", "RUNNING", "It is still being done. Wait until it has ended.");
        }
        rows.delete(id);
        Files.deleteIfExists(folder.file(practice, id));
    }

    private Job view(JobMapper.Row row, UUID practice) {
        Handle handle = running.get(row.id());
        boolean now = handle != null && row.state().equals("running");
        return new Job(
                row.id(),
                row.kind(),
                row.state(),
                now ? handle.done : row.done(),
                now ? handle.total : row.total(),
                row.result() == null ? null : json.readValue(row.result(), TREE),
                row.startedAt(),
                row.endedAt(),
                row.state().equals("done") && Files.exists(folder.file(practice, row.id())));
    }

    /** The file that a job made. */
    @Nullable
    Path file(UUID practice, UUID id) {
        Path file = folder.file(practice, id);
        return Files.exists(file) && !running.containsKey(id) ? file : null;
    }

    /** Ends what a stopped server left. */
    private void tidy() {
        Map<String, Object> stopped = new LinkedHashMap<>();
        stopped.put("detail", "The server was stopped meanwhile; what it had done is taken back. Begin again.");
        rows.endLeft(json.writeValueAsString(stopped), now(), servers.gone());
        forget();
    }

    /** Takes away work and files that are old. */
    private void forget() {
        rows.endedBefore(now().minus(KEPT)).forEach(rows::delete);
        try (var practices = Files.list(folder.path())) {
            for (Path practice : practices.filter(Files::isDirectory).toList()) {
                try (var files = Files.list(practice)) {
                    for (Path file : files.filter(this::old).toList()) {
                        Files.deleteIfExists(file);
                    }
                }
            }
        } catch (IOException | UncheckedIOException e) {
            LOG.warn("old files of long work could not be taken away: {}", e.getMessage());
        }
    }

    private boolean old(Path file) {
        try {
            return Files.isRegularFile(file)
                    && Files.getLastModifiedTime(file)
                            .toInstant()
                            .isBefore(Instant.now().minus(KEPT));
        } catch (IOException e) {
            return false;
        }
    }

    @Override
    public void start() {
        try {
            tidy();
        } catch (RuntimeException e) {
            LOG.warn("long work of before could not be tidied up: {}", e.getMessage());
        }
        servers.whenOneHasGone(this::tidy);
        started = true;
    }

    @Override
    public void stop() {
        started = false;
        stopping = true;
        Threads.end(threads, 10);
    }

    @Override
    public boolean isRunning() {
        return started;
    }
}
