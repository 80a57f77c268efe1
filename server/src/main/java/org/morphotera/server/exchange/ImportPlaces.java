package org.morphotera.server.exchange;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.FieldWriter;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.visits.VisitWriter;

/**
 * Fields, stops and visits that a file names: fields are found, stops and visits found or made. Of one reading of it; one
 * that only looks counts what would be made.
 */
final class ImportPlaces {

    /** So many names are told of what was made and touched. */
    static final int NAMED = 20;

    private final Advisor who;
    private final FieldReader fields;
    private final FieldWriter fieldWriter;
    private final VisitReader visits;
    private final VisitWriter visitWriter;
    private final boolean making;
    private final Map<String, List<Field>> byName;
    private final Map<UUID, String> growers;
    private final Map<UUID, OfField> known = new HashMap<>();
    private final Set<String> touched = new TreeSet<>();
    private final List<String> newStops = new ArrayList<>();
    private final List<UUID> madeStops = new ArrayList<>();
    private final Map<UUID, UUID> madeVisits = new HashMap<>();
    private int stopsMade;
    private int visitsMade;

    ImportPlaces(
            Advisor who,
            FieldReader fields,
            FieldWriter fieldWriter,
            VisitReader visits,
            VisitWriter visitWriter,
            boolean making) {
        this.who = who;
        this.making = making;
        this.fields = fields;
        this.fieldWriter = fieldWriter;
        this.visits = visits;
        this.visitWriter = visitWriter;
        byName = fields.fields(who.practiceId()).stream().collect(Collectors.groupingBy(Field::name));
        growers = fields.growers(who.practiceId()).stream().collect(Collectors.toMap(Grower::id, Grower::name));
    }

    /** The field of a name and, where it is given, a grower; {@code null} with a fault where it is not one. */
    @Nullable
    Field field(String name, String grower, long line, LineFaults faults) {
        List<Field> named = byName.getOrDefault(name, List.of()).stream()
                .filter(field -> grower.isEmpty() || grower.equals(growers.get(field.growerId())))
                .toList();
        if (named.size() == 1) {
            touched.add(name);
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

    /** The stop of a name in a field. */
    UUID stop(Field field, String label) {
        return of(field).stop(label);
    }

    /** The visit to a field on a day. */
    UUID visit(Field field, LocalDate on) {
        return of(field).visit(on);
    }

    /** Stops made since this was asked before. */
    List<UUID> takeMadeStops() {
        List<UUID> made = List.copyOf(madeStops);
        madeStops.clear();
        return made;
    }

    /** Visits made since this was asked before, each with its field. */
    Map<UUID, UUID> takeMadeVisits() {
        Map<UUID, UUID> made = Map.copyOf(madeVisits);
        madeVisits.clear();
        return made;
    }

    private OfField of(Field field) {
        return known.computeIfAbsent(field.id(), id -> new OfField(field));
    }

    /** Adds what was found and made, in numbers and a few names. */
    void tell(Map<String, Object> told) {
        told.put("newStops", stopsMade);
        told.put("newVisits", visitsMade);
        told.put("stops", newStops);
        told.put("fieldCount", touched.size());
        told.put("fields", touched.stream().limit(NAMED).toList());
    }

    /** The same id for the same thing each time a file is sent. */
    static UUID id(Object... parts) {
        return UUID.nameUUIDFromBytes(List.of(parts).stream()
                .map(Object::toString)
                .collect(Collectors.joining("|"))
                .getBytes(StandardCharsets.UTF_8));
    }

    /**
     * The id of a test: the same each time it is sent, and beside those of the same field and day, so that a table that
     * is in order is appended where the one before went. Its front is of the field (32 bits) and the day (16), then come
     * 74 bits of all parts.
     *
     * @param parts what tells it from others of the practice
     */
    static UUID testId(Field field, LocalDate on, Object... parts) {
        UUID whole = id(parts);
        long front = (long) field.id().hashCode() << 32 | (on.toEpochDay() & 0xFFFF) << 16;
        // version 8 of RFC 9562: laid out by its maker
        long high = front | 0x8000 | whole.getMostSignificantBits() >>> 52;
        return new UUID(high, whole.getLeastSignificantBits());
    }

    /** Stops and visits of one field. */
    private final class OfField {

        private final Field field;
        private final Map<String, UUID> stops = new HashMap<>();
        private final Map<LocalDate, UUID> days = new HashMap<>();
        private int position;

        private OfField(Field field) {
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
                UUID id = id(field.id(), "stop", name);
                if (making) {
                    fieldWriter.putStop(
                            who,
                            id,
                            new Stop.Write(
                                    field.id(), name, null, null, null, ++position, null, null, null, null, null, 0));
                    madeStops.add(id);
                }
                stopsMade++;
                if (newStops.size() < NAMED) {
                    newStops.add(field.name() + ", " + name);
                }
                return id;
            });
        }

        private UUID visit(LocalDate on) {
            return days.computeIfAbsent(on, day -> {
                UUID id = id(field.id(), "visit", day);
                if (making) {
                    visitWriter.begin(who.practiceId(), who.id(), id, field.id(), day);
                    madeVisits.put(id, field.id());
                }
                visitsMade++;
                return id;
            });
        }
    }
}
