package org.morphotera.server.visits;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;

/** Where a reading is taken: visit, stop and field belong together and to the practice; and the context they give. */
@Component
public class Places {

    /**
     * A stop on a visit to its field.
     *
     * @param stops all of the field's
     */
    public record Place(Visit visit, Stop stop, Field field, List<Stop> stops) {}

    private final VisitMapper visits;
    private final FieldReader fields;
    private final VisitContexts contexts;
    private final AccessScope scope;

    Places(VisitMapper visits, FieldReader fields, VisitContexts contexts, AccessScope scope) {
        this.contexts = contexts;
        this.scope = scope;
        this.visits = visits;
        this.fields = fields;
    }

    /**
     * @throws NotFoundException when one of them is not the practice's, or the visit is not theirs to record at
     * @throws RefusedException when the stop lies in another field
     */
    public Place require(Advisor who, UUID visitId, UUID stopId) {
        Place place = require(who.practiceId(), visitId, stopId);
        scope.requireVisit(who, visitId);
        return place;
    }

    /** As {@link #require(Advisor, UUID, UUID)}, where nothing of them is wanted. */
    public void requireTogether(Advisor who, UUID visitId, UUID stopId) {
        if (visits.together(who.practiceId(), visitId, stopId) == 0) {
            // says which of them is missing, or that they lie apart
            require(who.practiceId(), visitId, stopId);
        }
        scope.requireVisit(who, visitId);
    }

    private Place require(UUID practice, UUID visitId, UUID stopId) {
        Visit visit = NotFoundException.require(visits.visit(practice, visitId), "visit");
        List<Stop> stops = fields.stops(practice, visit.fieldId());
        Stop stop = stops.stream()
                .filter(each -> each.id().equals(stopId))
                .findFirst()
                .orElse(null);
        if (stop == null) {
            NotFoundException.require(fields.stop(practice, stopId), "stop");
            throw otherField();
        }
        return new Place(visit, stop, fields.field(practice, visit.fieldId()), stops);
    }

    private static RefusedException otherField() {
        return RefusedException.of(
                "stopId", "OTHER_FIELD", "This stop lies in another field. Choose one of the field visited.");
    }

    /** Places of many tests one after the other: what doesn't change is asked for once. */
    public final class Memory {

        private final UUID practice;
        private final Map<UUID, Stop> stops = new HashMap<>();
        private @Nullable Place place;
        private @Nullable PlaceAndDay known;
        /** Readings of now that are context for later tests, by visit. */
        private final Map<UUID, List<PlaceAndDay.ContextReading>> recorded = new LinkedHashMap<>();

        private Memory(UUID practice) {
            this.practice = practice;
        }

        /** As {@link Places#require}. */
        public Place require(UUID visitId, UUID stopId) {
            if (place == null || !place.visit().id().equals(visitId)) {
                place = Places.this.require(practice, visitId, stopId);
                known = null;
                stops.clear();
                place.stops().forEach(stop -> stops.put(stop.id(), stop));
            }
            Stop stop = stops.get(stopId);
            if (stop == null) {
                // a stop of another field, or none: refused as anywhere
                return Places.this.require(practice, visitId, stopId);
            }
            place = new Place(place.visit(), stop, place.field(), place.stops());
            return place;
        }

        /** The context of a test at the place that was asked for last. */
        public Map<String, Object> context() {
            Place at = Objects.requireNonNull(place, "no place was asked for");
            if (known == null) {
                known = contexts.of(practice, at.visit(), at.field(), at.stops());
                recorded.forEach((visit, readings) -> readings.stream()
                        .filter(each -> each.textureClass() != null
                                || visit.equals(at.visit().id()))
                        .forEach(each -> known = known.with(each, null)));
            }
            return contexts.contextOf(known, at.stop().id());
        }

        /** Something was read on the visit of now that is context for later tests. */
        public void add(PlaceAndDay.ContextReading reading) {
            UUID visit = Objects.requireNonNull(place, "no place was asked for")
                    .visit()
                    .id();
            recorded.computeIfAbsent(visit, id -> new ArrayList<>()).add(reading);
            known = known == null ? null : known.with(reading, null);
        }
    }

    /** Begins with nothing known. */
    public Memory memory(UUID practice) {
        return new Memory(practice);
    }

    /** @throws NotFoundException when the practice has no such field */
    public Field requireField(Advisor who, UUID field) {
        Field found = NotFoundException.require(fields.field(who.practiceId(), field), "field");
        scope.requireField(who, field);
        return found;
    }

    /** @throws NotFoundException when the practice has no such stop */
    public Stop requireStop(Advisor who, UUID stop) {
        Stop found = NotFoundException.require(fields.stop(who.practiceId(), stop), "stop");
        scope.requireField(who, found.fieldId());
        return found;
    }

    /** The context of a stop on a visit, as the core reads it; the sampled layer comes from the test. */
    public Map<String, Object> context(UUID practice, Place place) {
        return contexts.contextOf(
                contexts.of(practice, place.visit(), place.field(), place.stops()),
                place.stop().id());
    }
}
