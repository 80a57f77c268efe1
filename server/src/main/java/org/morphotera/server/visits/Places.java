package org.morphotera.server.visits;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.Reach;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;

/** Where a reading is taken: visit, stop and field belong together and to the practice; and the context they give. */
@Component
public class Places {

    /** A stop on a visit to its field. */
    public record Place(Visit visit, Stop stop, Field field) {}

    private final VisitMapper visits;
    private final FieldReader fields;
    private final IndicatorReader indicators;
    private final CarbonAdded carbon;
    private final Reach reach;

    Places(VisitMapper visits, FieldReader fields, IndicatorReader indicators, CarbonAdded carbon, Reach reach) {
        this.carbon = carbon;
        this.reach = reach;
        this.visits = visits;
        this.fields = fields;
        this.indicators = indicators;
    }

    /**
     * @throws NotFoundException when one of them is not the practice's, or the visit is not theirs to record at
     * @throws RefusedException when the stop lies in another field
     */
    public Place require(Advisor who, UUID visitId, UUID stopId) {
        Place place = require(who.practiceId(), visitId, stopId);
        reach.requireVisit(who, visitId);
        return place;
    }

    private Place require(UUID practice, UUID visitId, UUID stopId) {
        Visit visit = NotFoundException.require(visits.visit(practice, visitId), "visit");
        Stop stop = NotFoundException.require(fields.stop(practice, stopId), "stop");
        if (!stop.fieldId().equals(visit.fieldId())) {
            throw otherField();
        }
        return new Place(visit, stop, fields.field(practice, visit.fieldId()));
    }

    private static RefusedException otherField() {
        return RefusedException.of(
                "stopId", "OTHER_FIELD", "This stop lies in another field. Choose one of the field visited.");
    }

    /** Places of many tests one after the other: what doesn't change is asked for once. */
    public final class Memory {

        private final UUID practice;
        private final Map<UUID, Stop> stops = new HashMap<>();
        private final Map<UUID, Optional<String>> textures = new HashMap<>();
        private Visit visit;
        private Field field;
        private Map<String, Object> ofVisit;
        private boolean covered;

        private Memory(UUID practice) {
            this.practice = practice;
        }

        /** As {@link Places#require}. */
        public Place require(UUID visitId, UUID stopId) {
            Stop stop = stops.get(stopId);
            if (stop == null || visit == null || !visit.id().equals(visitId)) {
                Place place = Places.this.require(practice, visitId, stopId);
                stop = place.stop();
                stops.put(stopId, stop);
                if (visit == null || !visit.id().equals(visitId)) {
                    visit = place.visit();
                    field = place.field();
                    ofVisit = Places.this.ofVisit(practice, place);
                    covered = indicators.coversOf(practice, visitId) > 0;
                }
            }
            if (!stop.fieldId().equals(field.id())) {
                throw otherField();
            }
            return new Place(visit, stop, field);
        }

        /** As {@link Places#context}, of the place that was asked for last. */
        public Map<String, Object> context(Place place) {
            UUID stop = place.stop().id();
            Map<String, Object> context = new LinkedHashMap<>();
            textures.computeIfAbsent(stop, id -> Optional.ofNullable(textureOf(practice, place)))
                    .ifPresent(texture -> context.put("textureClass", texture));
            context.putAll(ofVisit);
            if (covered) {
                put(
                        context,
                        "coverPct",
                        indicators.coverOf(practice, stop, place.visit().id()));
            }
            return context;
        }

        /** Something was read at a stop on the visit of now that its context shows from now on. */
        public void forget(UUID stop) {
            textures.remove(stop);
            covered = true;
        }
    }

    /** Begins with nothing known. */
    public Memory memory(UUID practice) {
        return new Memory(practice);
    }

    private String textureOf(UUID practice, Place place) {
        String felt = indicators.textureOfStop(practice, place.stop().id());
        return felt == null ? place.field().textureClass() : felt;
    }

    /** @throws NotFoundException when the practice has no such field */
    public Field requireField(Advisor who, UUID field) {
        Field found = NotFoundException.require(fields.field(who.practiceId(), field), "field");
        reach.requireField(who, field);
        return found;
    }

    /** @throws NotFoundException when the practice has no such stop */
    public Stop requireStop(Advisor who, UUID stop) {
        Stop found = NotFoundException.require(fields.stop(who.practiceId(), stop), "stop");
        reach.requireField(who, found.fieldId());
        return found;
    }

    /** The context of a stop on a visit, as the core reads it; the sampled layer comes from the test. */
    public Map<String, Object> context(UUID practice, Place place) {
        Map<String, Object> context = new LinkedHashMap<>();
        put(context, "textureClass", textureOf(practice, place));
        context.putAll(ofVisit(practice, place));
        put(
                context,
                "coverPct",
                indicators.coverOf(practice, place.stop().id(), place.visit().id()));
        return context;
    }

    /** The part that all stops of a visit have in common. */
    private Map<String, Object> ofVisit(UUID practice, Place place) {
        Map<String, Object> context = new LinkedHashMap<>();
        put(context, "landUse", place.field().landUse());
        put(context, "crop", place.field().crop());
        put(context, "purpose", place.field().purpose());
        context.putAll(conditions(practice, place.visit(), List.of(place.stop())));
        put(context, "carbonAddedLastAutumn", carbon.said(practice, place.visit(), place.field()));
        if (carbon.biochar(practice, place.visit())) {
            context.put("biocharWithin6Months", true);
        }
        return context;
    }

    /** The part of the context that the day gives: moisture, rain, temperature, season. */
    public Map<String, Object> conditions(UUID practice, Visit visit, List<Stop> stops) {
        Map<String, Object> context = new LinkedHashMap<>();
        put(context, "soilMoisture", visit.soilMoisture());
        put(context, "daysSinceRain", visit.daysSinceRain());
        put(context, "soilTempC", visit.soilTempC());
        put(context, "season", carbon.season(practice, visit.visitedOn(), stops).code());
        return context;
    }

    private static void put(Map<String, Object> context, String name, Object value) {
        if (value != null) {
            context.put(name, value);
        }
    }
}
