package org.morphotera.server.exchange;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.FieldWriter;
import org.morphotera.server.jobs.Jobs;
import org.morphotera.server.measurements.MeasurementBatch;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.visits.VisitWriter;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads a table of readings, one a line, in the form in which they are exported, and appends the tests that they make:
 * all or none. Lines of one test follow each other. Stops and visits that are not there yet are made; fields are not.
 */
@Component
class ReadingsImport {

    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};
    private static final LocalDate EARLIEST = LocalDate.of(1990, 1, 1);
    private static final int ASK_AT_ONCE = 500;

    private final FieldReader fields;
    private final FieldWriter fieldWriter;
    private final VisitReader visits;
    private final VisitWriter visitWriter;
    private final MeasurementBatch batch;
    private final MethodRegistry methods;
    private final Records records;
    private final JsonMapper json;
    private final Audit audit;
    private final Clock clock;
    private final TransactionTemplate transaction;

    ReadingsImport(
            FieldReader fields,
            FieldWriter fieldWriter,
            VisitReader visits,
            VisitWriter visitWriter,
            MeasurementBatch batch,
            MethodRegistry methods,
            Records records,
            JsonMapper json,
            Audit audit,
            Clock clock,
            TransactionTemplate transaction) {
        this.fields = fields;
        this.fieldWriter = fieldWriter;
        this.visits = visits;
        this.visitWriter = visitWriter;
        this.batch = batch;
        this.methods = methods;
        this.records = records;
        this.json = json;
        this.audit = audit;
        this.clock = clock;
        this.transaction = transaction;
    }

    /**
     * @param store keeps what comes in; otherwise only says what would
     * @return what comes in, in numbers and names
     * @throws RefusedException naming every faulty line; nothing is stored then
     */
    Map<String, Object> run(Advisor who, Path file, boolean store, Jobs.Handle handle) {
        return transaction.execute(status -> {
            Run run = new Run(who, handle);
            try (CsvFile csv = CsvFile.open(file)) {
                run.read(csv, Files.size(file));
            } catch (CsvFile.Unreadable e) {
                run.faults.add(e.line(), "", e.getMessage());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            run.faults.refuse();
            if (store) {
                audit.note(who, "import", "practice", who.practiceId(), run.tests + " tests");
            } else {
                status.setRollbackOnly();
            }
            return run.told(store);
        });
    }

    /** A test that was read whole and waits to be asked for and written. */
    private record Ready(
            MeasurementBatch.Reading reading, @Nullable UUID given, Map<String, Long> lines, long first) {}

    /** One file on its way in. */
    private final class Run {

        private final Advisor who;
        private final Jobs.Handle handle;
        private final LineFaults faults = new LineFaults();
        private final ImportPlaces places;
        private final MeasurementBatch.Run into;
        private final List<Ready> ready = new ArrayList<>();
        private final LocalDate latest = LocalDate.now(clock).plusDays(1);
        private long lines;
        private long tests;
        private long here;

        private Run(Advisor who, Jobs.Handle handle) {
            this.who = who;
            this.handle = handle;
            places = new ImportPlaces(who, fields, fieldWriter, visits, visitWriter);
            into = batch.begin(who.practiceId(), who.id());
        }

        private void read(CsvFile csv, long size) throws CsvFile.Unreadable {
            ReadingsTable table = new ReadingsTable(csv, faults);
            if (!faults.none()) {
                return;
            }
            for (ReadingsTable.TestLines test = table.next(); test != null; test = table.next()) {
                take(test);
                if (ready.size() >= ASK_AT_ONCE) {
                    write();
                    handle.at(csv.bytes(), size);
                }
            }
            write();
            into.finish();
            lines = table.lines();
            handle.at(size, size);
        }

        private void take(ReadingsTable.TestLines test) {
            ReadingsTable.TestKey key = test.key();
            long first = test.first();
            if (!methods.has(key.test())) {
                faults.add(first, "test", "There is no such test. Name one of the catalogue by its code.");
                return;
            }
            LocalDate on = date(key.visitedOn(), first);
            Field field = places.field(key.field(), key.grower(), first, faults);
            DepthLayer layer = layer(key, first);
            if (on == null || field == null || layer == NO_LAYER) {
                return;
            }
            if (key.stop().isEmpty() || key.stop().length() > 100) {
                faults.add(first, "stop", "A stop needs a name of at most 100 characters.");
                return;
            }
            Instant takenAt = moment(key.takenAt(), on, first);
            if (takenAt == null) {
                return;
            }
            try {
                Map<String, Object> readings = records.shape(key.test()).tree(test.cells());
                Map<String, Long> lineOf = new HashMap<>();
                test.cells().forEach((name, cell) -> lineOf.put(name, cell.line()));
                ready.add(new Ready(
                        new MeasurementBatch.Reading(
                                id(field, key),
                                places.visit(field, on),
                                places.stop(field, key.stop()),
                                key.test(),
                                layer,
                                readings,
                                takenAt),
                        given(key),
                        lineOf,
                        first));
            } catch (ReadingShape.Unusable e) {
                faults.add(e.cell().line(), e.column(), e.getMessage());
            }
        }

        private UUID id(Field field, ReadingsTable.TestKey key) {
            return key.measurement().isEmpty()
                    ? ImportPlaces.id(
                            who.practiceId(),
                            field.id(),
                            key.stop(),
                            key.visitedOn(),
                            key.takenAt(),
                            key.test(),
                            key.top(),
                            key.bottom())
                    : ImportPlaces.id(who.practiceId(), field.id(), key.measurement());
        }

        private static @Nullable UUID given(ReadingsTable.TestKey key) {
            try {
                return key.measurement().isEmpty() ? null : UUID.fromString(key.measurement());
            } catch (IllegalArgumentException e) {
                return null;
            }
        }

        private @Nullable LocalDate date(String text, long line) {
            try {
                LocalDate on = LocalDate.parse(text);
                if (on.isBefore(EARLIEST) || on.isAfter(latest)) {
                    faults.add(line, "visited_on", "The day must lie between 1990 and today.");
                    return null;
                }
                return on;
            } catch (DateTimeParseException e) {
                faults.add(line, "visited_on", "This is no day. Write it like 2026-04-30.");
                return null;
            }
        }

        private @Nullable Instant moment(String text, LocalDate on, long line) {
            if (text.isEmpty()) {
                return on.atTime(LocalTime.NOON).toInstant(ZoneOffset.UTC);
            }
            try {
                Instant at = Instant.parse(text).truncatedTo(ChronoUnit.MILLIS);
                LocalDate day = at.atOffset(ZoneOffset.UTC).toLocalDate();
                if (day.isBefore(EARLIEST) || day.isAfter(latest)) {
                    faults.add(line, "taken_at", "The moment must lie between 1990 and today.");
                    return null;
                }
                return at;
            } catch (DateTimeParseException e) {
                faults.add(
                        line, "taken_at", "This is no moment. Write it like 2026-04-30T09:30:00Z, or leave it empty.");
                return null;
            }
        }

        /** Stands for a fault, where no layer at all is allowed. */
        private static final DepthLayer NO_LAYER = new DepthLayer(0, 1);

        private @Nullable DepthLayer layer(ReadingsTable.TestKey key, long line) {
            if (key.top().isEmpty() && key.bottom().isEmpty()) {
                return null;
            }
            Double top = Figures.parsed(key.top());
            Double bottom = Figures.parsed(key.bottom());
            try {
                return new DepthLayer(Objects.requireNonNull(top), Objects.requireNonNull(bottom));
            } catch (NullPointerException | IllegalArgumentException e) {
                faults.add(line, "depth_bottom_mm", "The layer must run from 0 mm or more down to at most 5000 mm.");
                return NO_LAYER;
            }
        }

        /** Leaves out what is there already, and appends the rest. */
        private void write() {
            List<UUID> ids = new ArrayList<>();
            for (Ready each : ready) {
                ids.add(each.reading().id());
                if (each.given() != null) {
                    ids.add(each.given());
                }
            }
            Map<UUID, String> known = batch.known(who.practiceId(), ids);
            for (Ready each : ready) {
                UUID id = each.reading().id();
                String stored = known.getOrDefault(id, each.given() == null ? null : known.get(each.given()));
                if (into.waits(id)) {
                    faults.add(each.first(), "test", "Lines of this test stand apart. Put them one after the other.");
                } else if (stored == null) {
                    tests++;
                    into.add(each.reading(), e -> refused(each, e));
                } else if (ReadingShape.same(
                        json.readValue(stored, TREE), each.reading().readings())) {
                    here++;
                } else {
                    faults.add(
                            each.first(),
                            "test",
                            "This test is here with other readings. Correct it there, or take its lines out.");
                }
            }
            ready.clear();
        }

        private void refused(Ready test, RefusedException e) {
            for (FaultText fault : e.faults()) {
                String path = fault.field().replaceFirst("^readings\\.", "");
                faults.add(line(test, path), path, fault.message());
            }
        }

        private long line(Ready each, String path) {
            for (String at = path; !at.isEmpty(); at = at.replaceFirst("(\\.|\\[)[^.\\[]*$|^[^.\\[]*$", "")) {
                Long line = each.lines().get(at);
                if (line != null) {
                    return line;
                }
            }
            return each.first();
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
