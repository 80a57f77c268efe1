package org.morphotera.server.exchange;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.FieldWriter;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.jobs.Jobs;
import org.morphotera.server.measurements.MeasurementBatch;
import org.morphotera.server.visits.Visit;
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
    private static final int NAMED = 20;

    private final FieldReader fields;
    private final FieldWriter fieldWriter;
    private final VisitReader visits;
    private final VisitWriter visitWriter;
    private final MeasurementBatch batch;
    private final MethodRegistry methods;
    private final Records records;
    private final JsonMapper json;
    private final Audit audit;
    private final java.time.Clock clock;
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
            java.time.Clock clock,
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
                throw new java.io.UncheckedIOException(e);
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

    /** What must be in the head, and what may. */
    private static final class Head {

        private final int field;
        private final int grower;
        private final int stop;
        private final int visitedOn;
        private final int takenAt;
        private final int test;
        private final int measurement;
        private final int top;
        private final int bottom;
        private final int what;
        private final int name;
        private final int value;
        private final int unit;

        private Head(CsvFile csv, LineFaults faults) {
            field = csv.column("field");
            grower = csv.column("grower");
            stop = csv.column("stop");
            visitedOn = csv.column("visited_on", "date");
            takenAt = csv.column("taken_at");
            test = csv.column("test", "method");
            measurement = csv.column("measurement");
            top = csv.column("depth_top_mm");
            bottom = csv.column("depth_bottom_mm");
            what = csv.column("what");
            name = csv.column("name", "reading");
            value = csv.column("value");
            unit = csv.column("unit");
            require(faults, field, "field");
            require(faults, stop, "stop");
            require(faults, visitedOn, "visited_on");
            require(faults, test, "test");
            require(faults, name, "name");
            require(faults, value, "value");
        }

        private static void require(LineFaults faults, int column, String name) {
            if (column < 0) {
                faults.add(1, name, "This column is missing. Name it in the first line.");
            }
        }
    }

    private static String cell(String[] cells, int column) {
        return column < 0 || column >= cells.length ? "" : cells[column];
    }

    /** Where and of what a line is; lines of one test have all of it in common. */
    private record TestKey(
            String field,
            String grower,
            String stop,
            String visitedOn,
            String takenAt,
            String test,
            String measurement,
            String top,
            String bottom) {}

    /** A test that was read whole and waits to be asked for and written. */
    private record Ready(
            MeasurementBatch.Reading reading, @Nullable UUID given, Map<String, Long> lines, long first) {}

    /** One file on its way in. */
    private final class Run {

        private final Advisor who;
        private final Jobs.Handle handle;
        private final LineFaults faults = new LineFaults();
        private final MeasurementBatch.Run into;
        private final Map<String, List<Field>> byName;
        private final Map<UUID, String> growers;
        private final Map<UUID, FieldPlaces> places = new HashMap<>();
        private final List<Ready> ready = new ArrayList<>();
        /** Tests that may still be refused, the oldest first. */
        private final Map<UUID, Ready> underWay = new LinkedHashMap<>();

        private final java.util.Set<UUID> seen = new java.util.HashSet<>();
        private final List<String> newStops = new ArrayList<>();
        private final java.util.Set<String> touched = new java.util.TreeSet<>();
        private final LocalDate latest = LocalDate.now(clock).plusDays(1);
        private long lines;
        private long tests;
        private long here;
        private int stopsMade;
        private int visitsMade;

        private Run(Advisor who, Jobs.Handle handle) {
            this.who = who;
            this.handle = handle;
            into = batch.begin(who.practiceId(), who.id(), this::refused);
            byName = fields.fields(who.practiceId()).stream().collect(Collectors.groupingBy(Field::name));
            growers = fields.growers(who.practiceId()).stream().collect(Collectors.toMap(Grower::id, Grower::name));
        }

        private void read(CsvFile csv, long size) throws CsvFile.Unreadable {
            Head head = new Head(csv, faults);
            if (!faults.none()) {
                return;
            }
            TestKey open = null;
            long first = 0;
            Map<String, ReadingShape.Cell> cells = new LinkedHashMap<>();
            for (String[] line = csv.next(); line != null; line = csv.next()) {
                lines++;
                if (lines % 2000 == 0) {
                    handle.at(csv.bytes(), size);
                }
                String what = cell(line, head.what);
                if (!what.isEmpty() && !what.equals(RecordLine.READING)) {
                    continue;
                }
                TestKey key = key(line, head);
                if (!key.equals(open)) {
                    test(open, first, cells);
                    open = key;
                    first = csv.line();
                    cells = new LinkedHashMap<>();
                }
                String name = cell(line, head.name);
                ReadingShape.Cell cell =
                        new ReadingShape.Cell(cell(line, head.value), cell(line, head.unit), csv.line());
                if (cells.putIfAbsent(name, cell) != null) {
                    faults.add(csv.line(), "name", "This reading is there twice in one test. Leave one of them.");
                }
            }
            test(open, first, cells);
            write();
            into.finish();
            handle.at(size, size);
        }

        private TestKey key(String[] line, Head head) {
            return new TestKey(
                    cell(line, head.field),
                    cell(line, head.grower),
                    cell(line, head.stop),
                    cell(line, head.visitedOn),
                    cell(line, head.takenAt),
                    cell(line, head.test),
                    cell(line, head.measurement),
                    cell(line, head.top),
                    cell(line, head.bottom));
        }

        private void test(@Nullable TestKey key, long first, Map<String, ReadingShape.Cell> cells) {
            if (key == null) {
                return;
            }
            if (!methods.has(key.test())) {
                faults.add(first, "test", "There is no such test. Name one of the catalogue by its code.");
                return;
            }
            LocalDate on = date(key.visitedOn(), first);
            Field field = field(key, first);
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
                Map<String, Object> readings = records.shape(key.test()).tree(cells);
                Map<String, Long> lineOf = new HashMap<>();
                cells.forEach((name, cell) -> lineOf.put(name, cell.line()));
                FieldPlaces at = places.computeIfAbsent(field.id(), id -> new FieldPlaces(field));
                ready.add(new Ready(
                        new MeasurementBatch.Reading(
                                id(field, key),
                                at.visit(on),
                                at.stop(key.stop()),
                                key.test(),
                                layer,
                                readings,
                                takenAt),
                        given(key),
                        lineOf,
                        first));
                touched.add(field.name());
            } catch (ReadingShape.Unusable e) {
                faults.add(e.cell().line(), e.column(), e.getMessage());
            }
            if (ready.size() >= ASK_AT_ONCE) {
                write();
            }
        }

        /** The same test of the same file has the same id each time it is sent. */
        private UUID id(Field field, TestKey key) {
            String what = key.measurement().isEmpty()
                    ? String.join("|", key.stop(), key.visitedOn(), key.takenAt(), key.test(), key.top(), key.bottom())
                    : key.measurement();
            return UUID.nameUUIDFromBytes(
                    (who.practiceId() + "|" + field.id() + "|" + what).getBytes(StandardCharsets.UTF_8));
        }

        private static @Nullable UUID given(TestKey key) {
            try {
                return key.measurement().isEmpty() ? null : UUID.fromString(key.measurement());
            } catch (IllegalArgumentException e) {
                return null;
            }
        }

        private @Nullable Field field(TestKey key, long line) {
            List<Field> named = byName.getOrDefault(key.field(), List.of()).stream()
                    .filter(field -> key.grower().isEmpty() || key.grower().equals(growers.get(field.growerId())))
                    .toList();
            if (named.size() == 1) {
                return named.get(0);
            }
            faults.add(
                    line,
                    "field",
                    named.isEmpty()
                            ? "There is no field of this name. Add it first, or import its outline."
                            : "Several fields have this name. Add a column grower.");
            return null;
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
                Instant at = Instant.parse(text).truncatedTo(java.time.temporal.ChronoUnit.MILLIS);
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

        private @Nullable DepthLayer layer(TestKey key, long line) {
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
                String stored =
                        known.getOrDefault(each.reading().id(), each.given() == null ? null : known.get(each.given()));
                if (!seen.add(each.reading().id())) {
                    faults.add(each.first(), "test", "Lines of this test stand apart. Put them one after the other.");
                } else if (stored == null) {
                    add(each);
                } else if (same(json.readValue(stored, TREE), each.reading().readings())) {
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

        private void add(Ready each) {
            underWay.put(each.reading().id(), each);
            into.add(each.reading());
            tests++;
            // those that were written are not asked about any more
            if (underWay.size() > 4 * ASK_AT_ONCE * 2) {
                Iterator<UUID> oldest = underWay.keySet().iterator();
                oldest.next();
                oldest.remove();
            }
        }

        private void refused(UUID test, RefusedException e) {
            Ready each = underWay.get(test);
            for (FaultText fault : e.faults()) {
                String path = fault.field().replaceFirst("^readings\\.", "");
                faults.add(line(each, path), path, fault.message());
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
            told.put("newStops", stopsMade);
            told.put("newVisits", visitsMade);
            told.put("stops", newStops);
            told.put("fieldCount", touched.size());
            told.put("fields", touched.stream().limit(NAMED).toList());
            return told;
        }

        /** Stops and visits of one field, those made on the way among them. */
        private final class FieldPlaces {

            private final Field field;
            private final Map<String, UUID> stops = new HashMap<>();
            private final Map<LocalDate, UUID> days = new HashMap<>();
            private int position;

            private FieldPlaces(Field field) {
                this.field = field;
                for (Stop stop : fields.stops(who.practiceId(), field.id())) {
                    stops.putIfAbsent(stop.label(), stop.id());
                    position = Math.max(position, stop.position());
                }
                for (Visit visit : visits.visitsOf(who.practiceId(), field.id())) {
                    days.putIfAbsent(visit.visitedOn(), visit.id());
                }
            }

            private UUID stop(String label) {
                return stops.computeIfAbsent(label, name -> {
                    UUID id = UUID.nameUUIDFromBytes((field.id() + "|stop|" + name).getBytes(StandardCharsets.UTF_8));
                    fieldWriter.putStop(
                            who,
                            id,
                            new Stop.Write(
                                    field.id(), name, null, null, null, ++position, null, null, null, null, null, 0));
                    stopsMade++;
                    if (newStops.size() < NAMED) {
                        newStops.add(field.name() + ", " + name);
                    }
                    return id;
                });
            }

            private UUID visit(LocalDate on) {
                return days.computeIfAbsent(on, day -> {
                    UUID id = UUID.nameUUIDFromBytes((field.id() + "|visit|" + day).getBytes(StandardCharsets.UTF_8));
                    visitWriter.begin(who.practiceId(), who.id(), id, field.id(), day);
                    visitsMade++;
                    return id;
                });
            }
        }
    }

    /** The same readings, however their numbers are written and their names are ordered. */
    private static boolean same(Object stored, Object sent) {
        if (stored instanceof Number a && sent instanceof Number b) {
            return a.doubleValue() == b.doubleValue();
        }
        if (stored instanceof List<?> a && sent instanceof List<?> b) {
            boolean alike = a.size() == b.size();
            for (int i = 0; alike && i < a.size(); i++) {
                alike = same(a.get(i), b.get(i));
            }
            return alike;
        }
        if (stored instanceof Map<?, ?> a && sent instanceof Map<?, ?> b) {
            return a.keySet().equals(b.keySet())
                    && a.entrySet().stream().allMatch(each -> same(each.getValue(), b.get(each.getKey())));
        }
        return Objects.equals(stored, sent);
    }
}
