package org.morphotera.server.exchange;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.FieldWriter;
import org.morphotera.server.jobs.Jobs;
import org.morphotera.server.measurements.MeasurementWriter;
import org.morphotera.server.methods.Evaluator;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.visits.VisitWriter;
import org.morphotera.server.web.RefusedException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads a table of readings, one a line, in the form in which they are exported, and appends the tests that they make:
 * all or none. Lines of one test follow each other. Stops and visits that are not there yet are made; fields are not.
 *
 * <p>A table is looked at whole first, without writing; one without faults is then read again and written in pieces,
 * since one transaction of a million lines makes the data file many times as large as what is in it.
 */
@Component
class ReadingsImport {

    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};
    private static final int ASK_AT_ONCE = 500;

    private final FieldReader fields;
    private final FieldWriter fieldWriter;
    private final VisitReader visits;
    private final VisitWriter visitWriter;
    private final MeasurementWriter batch;
    private final MethodRegistry methods;
    private final Evaluator evaluator;
    private final Records records;
    private final ImportRuns runs;
    private final JsonMapper json;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final int pieceSize;

    ReadingsImport(
            FieldReader fields,
            FieldWriter fieldWriter,
            VisitReader visits,
            VisitWriter visitWriter,
            MeasurementWriter batch,
            MethodRegistry methods,
            Evaluator evaluator,
            Records records,
            ImportRuns runs,
            JsonMapper json,
            Clock clock,
            TransactionTemplate transaction,
            @Value("${morphotera.import-piece}") int pieceSize) {
        this.fields = fields;
        this.fieldWriter = fieldWriter;
        this.visits = visits;
        this.visitWriter = visitWriter;
        this.batch = batch;
        this.methods = methods;
        this.evaluator = evaluator;
        this.records = records;
        this.runs = runs;
        this.json = json;
        this.clock = clock;
        this.transaction = transaction;
        this.pieceSize = pieceSize;
    }

    /**
     * @param store keeps what comes in; otherwise only says what would
     * @return what comes in, in numbers and names
     * @throws RefusedException naming every faulty line; nothing is stored then
     */
    Map<String, Object> run(Advisor who, Path file, boolean store, Jobs.Handle handle) {
        int passes = store ? 2 : 1;
        Pass look = new Pass(who, file, handle, 0, passes, null);
        look.run();
        if (!store) {
            return look.told(false);
        }
        try {
            return runs.run(who, run -> {
                Pass keep = new Pass(who, file, handle, 1, passes, run);
                keep.noneIsHere = look.here == 0;
                keep.run();
                run.finish(keep.tests + " tests");
                return keep.told(true);
            });
        } catch (DuplicateKeyException e) {
            throw RefusedException.of(
                    "", "MEANWHILE", "Some of these tests came in otherwise at the same time. Look at the file again.");
        }
    }

    /** One reading of the file, which looks, or keeps what the one before looked at. */
    private final class Pass {

        private final UUID practice;
        private final Path file;
        private final Jobs.Handle handle;
        private final long before;
        private final int passes;
        private final ImportRuns.@Nullable Run run;
        private final LineFaults faults = new LineFaults();
        private final ImportPlaces places;
        private final MeasurementWriter.@Nullable Run into;
        private @Nullable ReadingsReader reader;
        /** Nothing of the file was there when it was looked at: what came since is told by the database. */
        private boolean noneIsHere;

        private long lines;
        private long tests;
        private long here;

        private Pass(
                Advisor who, Path file, Jobs.Handle handle, long before, int passes, ImportRuns.@Nullable Run run) {
            this.practice = who.practiceId();
            this.file = file;
            this.handle = handle;
            this.before = before;
            this.passes = passes;
            this.run = run;
            places = new ImportPlaces(who, fields, fieldWriter, visits, visitWriter, run != null);
            into = run == null ? null : batch.begin(practice, who.id(), run.stamp());
        }

        private void run() {
            try (CsvFile csv = CsvFile.open(file);
                    SeenIds seen = run == null ? new SeenIds(handle.file()) : null) {
                read(csv, Files.size(file), seen);
            } catch (CsvFile.Unreadable e) {
                faults.add(e.line(), "", e.getMessage());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            faults.refuse();
        }

        private void read(CsvFile csv, long size, @Nullable SeenIds seen) throws CsvFile.Unreadable {
            ReadingsTable table = new ReadingsTable(csv, faults);
            if (!faults.none()) {
                return;
            }
            reader = new ReadingsReader(practice, table, places, methods, records, faults, LocalDate.now(clock));
            boolean more = true;
            while (more) {
                more = run == null ? look(seen) : keepPiece(csv, size);
                lines = table.lines();
                handle.at(before * size + csv.bytes(), passes * size);
            }
        }

        /** Looks at the next tests; whether there were any. */
        private boolean look(SeenIds seen) throws CsvFile.Unreadable {
            List<ReadingsReader.Ready> ready = reader.next(ASK_AT_ONCE);
            Map<UUID, String> known = known(ready);
            for (ReadingsReader.Ready each : ready) {
                if (!seen.add(each.reading().id())) {
                    faults.add(each.first(), "test", "Lines of this test stand apart. Put them one after the other.");
                } else if (isNew(each, known)) {
                    tests++;
                    try {
                        evaluator.check(each.reading().method(), each.reading().readings());
                    } catch (RefusedException e) {
                        reader.refused(each, e);
                    }
                }
            }
            return !ready.isEmpty();
        }

        /** Keeps the next tests, with the notes by which they could be taken back; whether there were any. */
        private boolean keepPiece(CsvFile csv, long size) throws CsvFile.Unreadable {
            CsvFile.Unreadable[] unreadable = {null};
            boolean more = transaction.execute(status -> {
                try {
                    List<ReadingsReader.Ready> piece = new ArrayList<>();
                    boolean any = true;
                    while (any && piece.size() < pieceSize) {
                        any = gather(piece);
                    }
                    // rows of a field lie together in the tables: written together they are written once
                    piece.sort(Comparator.comparing(ReadingsReader.Ready::field));
                    for (int i = 0; i < piece.size(); i++) {
                        ReadingsReader.Ready each = piece.get(i);
                        into.add(each.reading(), e -> reader.refused(each, e));
                        if (i % ASK_AT_ONCE == 0) {
                            handle.at(before * size + csv.bytes(), passes * size);
                        }
                    }
                    into.flush();
                    run.note(places, into);
                    return any;
                } catch (CsvFile.Unreadable e) {
                    unreadable[0] = e;
                    return false;
                }
            });
            if (unreadable[0] != null) {
                throw unreadable[0];
            }
            return more && faults.none();
        }

        private boolean gather(List<ReadingsReader.Ready> piece) throws CsvFile.Unreadable {
            List<ReadingsReader.Ready> ready = reader.next(Math.min(ASK_AT_ONCE, pieceSize));
            Map<UUID, String> known = known(ready);
            for (ReadingsReader.Ready each : ready) {
                if (isNew(each, known)) {
                    tests++;
                    piece.add(each);
                }
            }
            return !ready.isEmpty();
        }

        private Map<UUID, String> known(List<ReadingsReader.Ready> ready) {
            if (noneIsHere) {
                return Map.of();
            }
            List<UUID> ids = new ArrayList<>();
            for (ReadingsReader.Ready each : ready) {
                ids.add(each.reading().id());
                if (each.given() != null) {
                    ids.add(each.given());
                }
            }
            return batch.known(practice, ids);
        }

        /** Whether a test is not there yet; one that is there with other readings is a fault. */
        private boolean isNew(ReadingsReader.Ready each, Map<UUID, String> known) {
            UUID given = each.given();
            String stored = known.getOrDefault(each.reading().id(), given == null ? null : known.get(given));
            if (stored == null) {
                return true;
            }
            if (ReadingShape.same(json.readValue(stored, TREE), each.reading().readings())) {
                here++;
            } else {
                faults.add(
                        each.first(),
                        "test",
                        "This test is here with other readings. Correct it there, or take its lines out.");
            }
            return false;
        }

        private Map<String, Object> told(boolean stored) {
            Map<String, Object> told = new LinkedHashMap<>();
            told.put("stored", stored);
            told.put("lines", lines);
            told.put("tests", tests);
            told.put("alreadyHere", here);
            places.tell(told);
            return told;
        }
    }
}
