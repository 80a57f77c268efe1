package org.morphotera.server.exchange;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.reading.FaultText;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.FieldWriter;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.TextRule;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads fields and stops from GeoJSON: areas with a name become fields, or outlines of those of that name; points and
 * lines become stops of the field that they name. All or none.
 */
@Component
class FieldsImport {

    private static final long LARGEST = 16L << 20;
    private static final int MOST_FEATURES = 20_000;
    private static final int NAMED = 20;

    private final FieldReader fields;
    private final FieldWriter writer;
    private final Validator validator;
    private final JsonMapper json;
    private final TransactionTemplate transaction;

    FieldsImport(
            FieldReader fields,
            FieldWriter writer,
            Validator validator,
            JsonMapper json,
            TransactionTemplate transaction) {
        this.fields = fields;
        this.writer = writer;
        this.validator = validator;
        this.json = json;
        this.transaction = transaction;
    }

    /**
     * @param store keeps what comes in; otherwise only says what would
     * @throws RefusedException naming every feature that can't be used; nothing is stored then
     */
    Map<String, Object> run(Advisor who, Path file, boolean store) throws IOException {
        if (Files.size(file) > LARGEST) {
            throw RefusedException.of("", "TOO_LONG", "At most 16 MB. Send the fields in several files.");
        }
        List<?> features = features(Files.readAllBytes(file));
        return transaction.execute(status -> {
            Run run = new Run(who);
            // fields first: stops name them
            for (int i = 0; i < features.size(); i++) {
                run.feature(features.get(i), i, true);
            }
            for (int i = 0; i < features.size(); i++) {
                run.feature(features.get(i), i, false);
            }
            run.faults.refuse();
            if (!store) {
                status.setRollbackOnly();
            }
            return run.told(store);
        });
    }

    private List<?> features(byte[] bytes) {
        try {
            Object tree = json.readValue(bytes, Object.class);
            if (tree instanceof Map<?, ?> map
                    && "FeatureCollection".equals(map.get("type"))
                    && map.get("features") instanceof List<?> features
                    && features.size() <= MOST_FEATURES) {
                return features;
            }
        } catch (JacksonException e) {
            String where =
                    e.getLocation() == null ? "" : "line " + e.getLocation().getLineNr();
            throw RefusedException.of(where, "NOT_GEOJSON", "This is no JSON. Send GeoJSON, in UTF-8.");
        }
        throw RefusedException.of(
                "", "NOT_FEATURES", "It must be a FeatureCollection of at most 20,000 features. Export it as one.");
    }

    private final class Run {

        private final Advisor who;
        private final LineFaults faults = new LineFaults();
        private final Map<String, UUID> growers = new HashMap<>();
        private final Map<String, List<Field>> byName = new HashMap<>();
        private final Map<UUID, Field> byId = new HashMap<>();
        private final List<String> made = new ArrayList<>();
        private final List<String> changed = new ArrayList<>();
        private int fieldsMade;
        private int fieldsChanged;
        private int stopsMade;
        private int stopsChanged;
        private int growersMade;
        private int same;

        private Run(Advisor who) {
            this.who = who;
            fields.growers(who.practiceId()).forEach(each -> growers.putIfAbsent(each.name(), each.id()));
            fields.fields(who.practiceId()).forEach(this::know);
        }

        private void know(Field field) {
            byId.put(field.id(), field);
            List<Field> named = byName.computeIfAbsent(field.name(), name -> new ArrayList<>());
            named.removeIf(each -> each.id().equals(field.id()));
            named.add(field);
        }

        private void feature(Object feature, int at, boolean areas) {
            if (!(feature instanceof Map<?, ?> map) || !"Feature".equals(map.get("type"))) {
                fault(areas, at, "This is no feature. Take it out.");
                return;
            }
            Map<?, ?> properties = map.get("properties") instanceof Map<?, ?> given ? given : Map.of();
            Object geometry = map.get("geometry");
            String type = geometry instanceof Map<?, ?> shape ? String.valueOf(shape.get("type")) : "";
            String kind = text(properties, "kind");
            boolean area = type.endsWith("Polygon") || type.isEmpty() && "field".equals(kind);
            if ("zone".equals(kind)) {
                return;
            }
            if (area == areas) {
                try {
                    if (area) {
                        area(properties, geometry, at);
                    } else {
                        place(properties, geometry, type, at);
                    }
                } catch (RefusedException e) {
                    for (FaultText fault : e.faults()) {
                        faults.addFeature(at, fault.field(), fault.message());
                    }
                }
            }
        }

        /** Said once, although each feature is looked at twice. */
        private void fault(boolean first, int at, String message) {
            if (first) {
                faults.addFeature(at, "", message);
            }
        }

        private void area(Map<?, ?> properties, @Nullable Object geometry, int at) {
            String name = text(properties, "name", "field");
            if (name == null) {
                faults.addFeature(at, "", "A field needs a name. Add the property name.");
                return;
            }
            Field there = known(properties, "id", name);
            String boundary = geometry == null ? null : json.writeValueAsString(geometry);
            if (there != null) {
                if (boundary == null
                        || SameShape.of(
                                geometry,
                                there.boundary() == null ? null : json.readValue(there.boundary(), Object.class))) {
                    same++;
                    return;
                }
                keep(
                        there.id(),
                        new Field.Write(
                                there.growerId(),
                                there.name(),
                                there.landUse(),
                                there.crop(),
                                there.areaHa(),
                                there.textureClass(),
                                there.purpose(),
                                there.soilNote(),
                                boundary,
                                there.zones(),
                                there.avoid(),
                                there.version()));
                fieldsChanged++;
                name(changed, there.name());
                return;
            }
            UUID grower = grower(text(properties, "grower", "farmer", "owner"));
            String use = text(properties, "landUse", "land_use");
            Field.Write write = new Field.Write(
                    grower,
                    name,
                    use == null ? "arable" : use,
                    text(properties, "crop"),
                    properties.get("areaHa") instanceof Number hectares ? hectares.doubleValue() : null,
                    text(properties, "textureClass"),
                    "field",
                    null,
                    boundary,
                    null,
                    null,
                    0);
            keep(UUID.randomUUID(), write);
            fieldsMade++;
            name(made, name);
        }

        private void keep(UUID id, Field.Write write) {
            check(write);
            know(writer.putField(who, id, write));
        }

        private <T> void check(T write) {
            List<FaultText> wrong = new ArrayList<>();
            for (ConstraintViolation<T> each : validator.validate(write)) {
                wrong.add(new FaultText(each.getPropertyPath().toString(), "INVALID", sentence(each.getMessage())));
            }
            if (!wrong.isEmpty()) {
                throw new RefusedException(wrong);
            }
        }

        private static String sentence(String message) {
            return message.substring(0, 1).toUpperCase(Locale.ROOT)
                    + message.substring(1)
                    + (message.endsWith(".") ? "" : ".");
        }

        private void place(Map<?, ?> properties, @Nullable Object geometry, String type, int at) {
            String label = text(properties, "name", "label", "stop");
            String fieldName = text(properties, "field");
            if (label == null || fieldName == null) {
                faults.addFeature(at, "", "A stop needs the properties name and field. Add what is missing.");
                return;
            }
            Field field = known(properties, "fieldId", fieldName);
            if (field == null) {
                faults.addFeature(at, "field", "There is no field of this name. Add its outline to the file.");
                return;
            }
            List<?> coordinates =
                    geometry instanceof Map<?, ?> shape && shape.get("coordinates") instanceof List<?> list
                            ? list
                            : List.of();
            double[] from = type.equals("LineString") && !coordinates.isEmpty()
                    ? point(coordinates.get(0))
                    : point(coordinates);
            double[] to = type.equals("LineString") && coordinates.size() > 1
                    ? point(coordinates.get(coordinates.size() - 1))
                    : null;
            boolean placeless = geometry == null;
            if (!placeless && (from == null || type.equals("LineString") && to == null)
                    || !placeless && !type.equals("Point") && !type.equals("LineString")) {
                faults.addFeature(at, "", "A stop must be a point or a line in longitude and latitude. Correct it.");
                return;
            }
            List<Stop> there = fields.stops(who.practiceId(), field.id());
            Stop known = there.stream()
                    .filter(each -> each.label().equals(label))
                    .findFirst()
                    .orElse(null);
            Stop.Write write = new Stop.Write(
                    field.id(),
                    label,
                    known == null ? null : known.note(),
                    from == null ? null : Double.valueOf(from[0]),
                    from == null ? null : Double.valueOf(from[1]),
                    known == null
                            ? there.stream().mapToInt(Stop::position).max().orElse(0) + 1
                            : known.position(),
                    known == null ? text(properties, "role") : null,
                    null,
                    to == null ? null : Double.valueOf(to[0]),
                    to == null ? null : Double.valueOf(to[1]),
                    known == null ? null : known.retiredOn(),
                    known == null ? 0 : known.version());
            if (known != null
                    && java.util.Objects.equals(known.longitude(), write.longitude())
                    && java.util.Objects.equals(known.latitude(), write.latitude())
                    && java.util.Objects.equals(known.endLongitude(), write.endLongitude())) {
                same++;
                return;
            }
            check(write);
            writer.putStop(who, known == null ? UUID.randomUUID() : known.id(), write);
            if (known == null) {
                stopsMade++;
            } else {
                stopsChanged++;
            }
        }

        private double @Nullable [] point(Object tree) {
            return tree instanceof List<?> pair
                            && pair.size() >= 2
                            && pair.get(0) instanceof Number longitude
                            && pair.get(1) instanceof Number latitude
                            && Math.abs(longitude.doubleValue()) <= 180
                            && Math.abs(latitude.doubleValue()) <= 90
                    ? new double[] {longitude.doubleValue(), latitude.doubleValue()}
                    : null;
        }

        private @Nullable Field known(Map<?, ?> properties, String idName, String name) {
            String id = text(properties, idName);
            if (id != null) {
                try {
                    Field field = byId.get(UUID.fromString(id));
                    if (field != null) {
                        return field;
                    }
                } catch (IllegalArgumentException e) {
                    // an id of another program's
                    return first(name);
                }
            }
            return first(name);
        }

        private @Nullable Field first(String name) {
            List<Field> named = byName.getOrDefault(name, List.of());
            return named.isEmpty() ? null : named.get(0);
        }

        private UUID grower(@Nullable String name) {
            String of = name == null ? "Not named" : name;
            return growers.computeIfAbsent(of, key -> {
                UUID id = UUID.randomUUID();
                Grower.Write write = new Grower.Write(key, null, 0);
                check(write);
                writer.putGrower(who, id, write);
                growersMade++;
                return id;
            });
        }

        private static void name(List<String> names, String name) {
            if (names.size() < NAMED) {
                names.add(name);
            }
        }

        /** A text under one of some names, or {@code null}. */
        private static @Nullable String text(Map<?, ?> properties, String... names) {
            for (String name : names) {
                Object value = properties.get(name);
                if (value instanceof String text && !text.isBlank() && TextRule.showable(text)) {
                    return text.strip();
                }
            }
            return null;
        }

        private Map<String, Object> told(boolean stored) {
            Map<String, Object> told = new LinkedHashMap<>();
            told.put("stored", stored);
            told.put("newFields", fieldsMade);
            told.put("changedFields", fieldsChanged);
            told.put("newStops", stopsMade);
            told.put("changedStops", stopsChanged);
            told.put("newGrowers", growersMade);
            told.put("alreadyHere", same);
            told.put("fields", made);
            told.put("changed", changed);
            return told;
        }
    }
}
