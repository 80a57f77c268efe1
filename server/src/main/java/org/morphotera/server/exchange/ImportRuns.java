package org.morphotera.server.exchange;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.archive.PracticeRestored;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.FieldWriter;
import org.morphotera.server.measurements.MeasurementWriter;
import org.morphotera.server.storage.RowBatch;
import org.morphotera.server.storage.Servers;
import org.morphotera.server.storage.Threads;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitChanged;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.visits.VisitWriter;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Tables of readings that are taken in piece by piece, each in a transaction of its own. What a piece made is noted with
 * it; a run that does not come to its end, also because the server was killed, is taken back by these notes.
 */
@Component
class ImportRuns {

    private static final Logger LOG = LoggerFactory.getLogger(ImportRuns.class);
    private static final String NEW_STOP = "new-stop";
    private static final String NEW_VISIT = "new-visit";
    private static final String STOP = "stop";
    private static final String VISIT = "visit";
    /** Stops or visits that one transaction deals with. */
    private static final int AT_ONCE = 200;
    /** Moments of recording are kept to the millisecond; the stamp of a run has some of these thousandths of it. */
    private static final int THOUSANDTHS = 999;

    private final ImportRunMapper rows;
    private final MeasurementWriter batch;
    private final VisitReader visitReader;
    private final VisitWriter visitWriter;
    private final FieldWriter fieldWriter;
    private final JdbcTemplate jdbc;
    private final TransactionTemplate transaction;
    private final Audit audit;
    private final Clock clock;
    private final Servers servers;
    private final ApplicationEventPublisher changes;
    private final Set<UUID> underWay = ConcurrentHashMap.newKeySet();

    ImportRuns(
            ImportRunMapper rows,
            MeasurementWriter batch,
            VisitReader visitReader,
            VisitWriter visitWriter,
            FieldWriter fieldWriter,
            JdbcTemplate jdbc,
            TransactionTemplate transaction,
            Audit audit,
            Clock clock,
            ApplicationEventPublisher changes,
            Servers servers) {
        this.servers = servers;
        servers.whenOneHasGone(this::takeBackBrokenOff);
        this.rows = rows;
        this.batch = batch;
        this.visitReader = visitReader;
        this.visitWriter = visitWriter;
        this.fieldWriter = fieldWriter;
        this.jdbc = jdbc;
        this.transaction = transaction;
        this.audit = audit;
        this.clock = clock;
        this.changes = changes;
    }

    /** One table on its way in. */
    final class Run {

        private final Advisor who;
        private final ImportRunMapper.Row row;
        private final Map<String, Set<UUID>> noted = new HashMap<>();
        private final Map<UUID, UUID> fieldOfVisit = new HashMap<>();

        private Run(Advisor who, ImportRunMapper.Row row) {
            this.who = who;
            this.row = row;
        }

        /** The moment of recording of all that comes in. */
        Instant stamp() {
            return row.stamp();
        }

        /** Notes what the piece made and added to, in the transaction of the piece. */
        void note(ImportPlaces places, MeasurementWriter.Run into) {
            RowBatch notes = new RowBatch(
                    jdbc, "insert into import_trace (run_id, practice_id, kind, row_id) " + "values (?, ?, ?, ?)");
            note(notes, NEW_STOP, places.takeMadeStops());
            Map<UUID, UUID> visits = places.takeMadeVisits();
            note(notes, NEW_VISIT, visits.keySet());
            fieldOfVisit.putAll(visits);
            note(notes, STOP, into.stops());
            note(notes, VISIT, into.visits().keySet());
            fieldOfVisit.putAll(into.visits());
            notes.write();
        }

        private void note(RowBatch notes, String kind, Collection<UUID> ids) {
            Set<UUID> before = noted.computeIfAbsent(kind, each -> new HashSet<>());
            for (UUID id : ids) {
                if (before.add(id)) {
                    notes.add(row.id(), row.practiceId(), kind, id);
                }
            }
        }

        /** Marks what is the newest now, tells of the visits, and forgets the notes: all of it is in. */
        void finish(String said) {
            markNewest(noted.getOrDefault(STOP, Set.of()));
            transaction.executeWithoutResult(status -> {
                fieldOfVisit.forEach(
                        (visit, field) -> changes.publishEvent(new VisitChanged(row.practiceId(), field, visit)));
                audit.note(who, "import", "practice", row.practiceId(), said);
                rows.forgetTraces(row.id());
                rows.forget(row.id());
            });
        }
    }

    /** Does all of it or nothing; what was left of earlier runs is taken back first. */
    <T> T run(Advisor who, Function<Run, T> work) {
        takeBackLeft();
        UUID id = UUID.randomUUID();
        Instant stamp = clock.instant()
                .truncatedTo(ChronoUnit.MILLIS)
                .plus(1 + Math.floorMod(id.hashCode(), THOUSANDTHS), ChronoUnit.MICROS);
        ImportRunMapper.Row row = new ImportRunMapper.Row(id, who.practiceId(), who.id(), stamp);
        underWay.add(id);
        try {
            transaction.executeWithoutResult(status -> rows.begin(row, servers.id()));
            return work.apply(new Run(who, row));
        } catch (RuntimeException e) {
            takeBackOrLeave(row);
            throw e;
        } finally {
            underWay.remove(id);
        }
    }

    /** What can't be taken back now, since the server stops or its database is away, is at the next start. */
    private void takeBackOrLeave(ImportRunMapper.Row row) {
        try {
            takeBack(row);
        } catch (RuntimeException e) {
            LOG.warn("a table that did not come in whole is taken back later: {}", e.getMessage());
        }
    }

    /**
     * After a start, or an archive that was made while a table came in. By the side, since a large one takes its time and
     * the rest can be worked with meanwhile.
     */
    @EventListener({ApplicationReadyEvent.class, PracticeRestored.class})
    void takeBackBrokenOff() {
        if (!rows.runs(servers.id(), servers.gone()).isEmpty()) {
            Threads.named("take back imports").newThread(this::takeBackLeft).start();
        }
    }

    private synchronized void takeBackLeft() {
        for (ImportRunMapper.Row row : rows.runs(servers.id(), servers.gone())) {
            if (!underWay.contains(row.id())) {
                takeBackOrLeave(row);
            }
        }
    }

    private void takeBack(ImportRunMapper.Row row) {
        long begun = System.nanoTime();
        List<UUID> visits = rows.traces(row.id(), VISIT);
        long tests = 0;
        for (List<UUID> some : inPieces(visits)) {
            tests += transaction.execute(status -> some.stream()
                    .mapToLong(visit -> batch.takeBack(row.practiceId(), visit, row.personId(), row.stamp()))
                    .sum());
        }
        List<UUID> stops = rows.traces(row.id(), STOP);
        markNewest(stops);
        rows.traces(row.id(), NEW_VISIT)
                .forEach(visit -> unlessUsed(() -> visitWriter.takeBack(row.practiceId(), visit)));
        rows.traces(row.id(), NEW_STOP)
                .forEach(stop -> unlessUsed(() -> fieldWriter.takeBackStop(row.practiceId(), stop)));
        transaction.executeWithoutResult(status -> {
            for (UUID visit : visits) {
                Visit still = visitReader.visit(row.practiceId(), visit);
                if (still != null) {
                    changes.publishEvent(new VisitChanged(row.practiceId(), still.fieldId(), visit));
                }
            }
            rows.forgetTraces(row.id());
            rows.forget(row.id());
        });
        if (!visits.isEmpty()) {
            LOG.info(
                    "took back {} tests of a table that did not come in whole, in {} s",
                    tests,
                    TimeUnit.NANOSECONDS.toSeconds(System.nanoTime() - begun));
        }
    }

    /** Somebody may have worked with it meanwhile; then it stays. */
    private void unlessUsed(Runnable delete) {
        try {
            transaction.executeWithoutResult(status -> delete.run());
        } catch (DataIntegrityViolationException e) {
            LOG.info("a stop or visit of a table that did not come in whole is used by now and stays");
        }
    }

    private void markNewest(Collection<UUID> stops) {
        for (List<UUID> some : inPieces(stops)) {
            transaction.executeWithoutResult(status -> some.forEach(batch::markNewest));
        }
    }

    private static List<List<UUID>> inPieces(Collection<UUID> ids) {
        List<UUID> all = new ArrayList<>(ids);
        List<List<UUID>> pieces = new ArrayList<>();
        for (int from = 0; from < all.size(); from += AT_ONCE) {
            pieces.add(all.subList(from, Math.min(all.size(), from + AT_ONCE)));
        }
        return pieces;
    }
}
