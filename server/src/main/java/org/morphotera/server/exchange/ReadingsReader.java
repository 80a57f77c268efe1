package org.morphotera.server.exchange;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.fields.Field;
import org.morphotera.server.measurements.MeasurementWriter;
import org.morphotera.server.web.RefusedException;

/** Makes tests of the lines of a table, with the places that they name; says what is wrong by the line it is in. */
final class ReadingsReader {

    private static final LocalDate EARLIEST = LocalDate.of(1990, 1, 1);

    /**
     * A test that was read whole.
     *
     * @param given its id as the file has it, where it has one
     * @param cells its readings by path, as written
     * @param first its first line
     */
    record Ready(
            MeasurementWriter.Reading reading,
            UUID field,
            @Nullable UUID given,
            Map<String, ReadingShape.Cell> cells,
            long first) {

        private long line(String path) {
            for (String at = path; !at.isEmpty(); at = at.replaceFirst("(\\.|\\[)[^.\\[]*$|^[^.\\[]*$", "")) {
                ReadingShape.Cell cell = cells.get(at);
                if (cell != null) {
                    return cell.line();
                }
            }
            return first;
        }
    }

    private final UUID practice;
    private final ReadingsTable table;
    private final ImportPlaces places;
    private final MethodRegistry methods;
    private final Records records;
    private final LineFaults faults;
    private final LocalDate latest;

    /** @param today on which no reading is from after tomorrow, wherever it was taken */
    ReadingsReader(
            UUID practice,
            ReadingsTable table,
            ImportPlaces places,
            MethodRegistry methods,
            Records records,
            LineFaults faults,
            LocalDate today) {
        this.practice = practice;
        this.table = table;
        this.places = places;
        this.methods = methods;
        this.records = records;
        this.faults = faults;
        latest = today.plusDays(1);
    }

    /** The next tests, at most so many; none at the end. Tests with faults are left out, and their faults noted. */
    List<Ready> next(int most) throws CsvFile.Unreadable {
        List<Ready> ready = new ArrayList<>();
        while (ready.size() < most) {
            ReadingsTable.TestLines test = table.next();
            if (test == null) {
                break;
            }
            Ready read = read(test);
            if (read != null) {
                ready.add(read);
            }
        }
        return ready;
    }

    private @Nullable Ready read(ReadingsTable.TestLines test) {
        ReadingsTable.TestKey key = test.key();
        long first = test.first();
        if (!methods.has(key.test())) {
            faults.add(first, "test", "There is no such test. Name one of the catalogue by its code.");
            return null;
        }
        LocalDate on = date(key.visitedOn(), first);
        Field field = places.field(key.field(), key.grower(), first, faults);
        DepthLayer layer = layer(key, first);
        if (on == null || field == null || layer == NO_LAYER) {
            return null;
        }
        if (key.stop().isEmpty() || key.stop().length() > 100) {
            faults.add(first, "stop", "A stop needs a name of at most 100 characters.");
            return null;
        }
        Instant takenAt = moment(key.takenAt(), on, first);
        if (takenAt == null) {
            return null;
        }
        try {
            Map<String, Object> readings = records.shape(key.test()).tree(test.cells());
            return new Ready(
                    new MeasurementWriter.Reading(
                            id(field, on, key),
                            places.visit(field, on),
                            places.stop(field, key.stop()),
                            key.test(),
                            layer,
                            readings,
                            takenAt),
                    field.id(),
                    given(key),
                    test.cells(),
                    first);
        } catch (ReadingShape.Unusable e) {
            faults.add(e.cell().line(), e.column(), e.getMessage());
            return null;
        }
    }

    /** Notes what was refused of a test, by the lines of its readings. */
    void refused(Ready test, RefusedException e) {
        for (FaultText fault : e.faults()) {
            String path = fault.field().replaceFirst("^readings\\.", "");
            faults.add(test.line(path), path, fault.message());
        }
    }

    private UUID id(Field field, LocalDate on, ReadingsTable.TestKey key) {
        return key.measurement().isEmpty()
                ? ImportPlaces.testId(
                        field,
                        on,
                        practice,
                        field.id(),
                        key.stop(),
                        key.visitedOn(),
                        key.takenAt(),
                        key.test(),
                        key.top(),
                        key.bottom())
                : ImportPlaces.testId(field, on, practice, field.id(), key.measurement());
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
            faults.add(line, "taken_at", "This is no moment. Write it like 2026-04-30T09:30:00Z, or leave it empty.");
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
}
