package org.morphotera.server.exchange;

import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The record as a tabular data package: a zip of comma-separated tables and a descriptor that says what they hold. */
@Component
class DataPackage {

    private final Records records;
    private final Tables tables;
    private final FieldReader fields;
    private final VisitReader visits;
    private final AccountReader accounts;
    private final JsonMapper json;
    private final Clock clock;

    DataPackage(
            Records records,
            Tables tables,
            FieldReader fields,
            VisitReader visits,
            AccountReader accounts,
            JsonMapper json,
            Clock clock) {
        this.records = records;
        this.tables = tables;
        this.fields = fields;
        this.visits = visits;
        this.accounts = accounts;
        this.json = json;
        this.clock = clock;
    }

    /** A column: name, type of the descriptor's own, and what it holds. */
    private record Column(String name, String type, String says) {}

    private static final List<Column> FIELDS = List.of(
            new Column("id", "string", "Id of the field"),
            new Column("name", "string", "Name of the field"),
            new Column("grower", "string", "Who works it"),
            new Column("land_use", "string", "How it is used"),
            new Column("crop", "string", "What grows on it"),
            new Column("area_ha", "number", "Area, ha"),
            new Column("texture_class", "string", "Texture as known before any test"));

    private static final List<Column> STOPS = List.of(
            new Column("id", "string", "Id of the stop"),
            new Column("field", "string", "Id of its field"),
            new Column("label", "string", "Name of the stop"),
            new Column("role", "string", "What it stands for"),
            new Column("longitude", "number", "Degrees east, WGS 84"),
            new Column("latitude", "number", "Degrees north, WGS 84"));

    private static final List<Column> VISITS = List.of(
            new Column("id", "string", "Id of the visit"),
            new Column("field", "string", "Id of the field visited"),
            new Column("visited_on", "date", "Day of the visit"),
            new Column("person", "string", "Who went"),
            new Column("soil_moisture", "string", "How moist the soil was"),
            new Column("days_since_rain", "integer", "Days since rain"),
            new Column("soil_temp_c", "number", "Temperature of the soil, °C"));

    private static final List<Column> EVENTS = List.of(
            new Column("id", "string", "Id of the event"),
            new Column("field", "string", "Id of the field"),
            new Column("happened_on", "date", "Day"),
            new Column("kind", "string", "What kind of thing was done"),
            new Column("what", "string", "What was done"),
            new Column("rate", "string", "At which rate"));

    private static final List<Column> LEVELS = List.of(
            new Column("field", "string", "Name of the field"),
            new Column("grower", "string", "Who works it"),
            new Column("stop", "string", "Name of the stop; empty for the whole field"),
            new Column("indicator", "string", "What is judged"),
            new Column("depth", "string", "Depth band, with its middle in mm from and to"),
            new Column("value", "number", "Figure by all readings, carried on to the day of the file"),
            new Column("low", "number", "Lower end of its interval of 95 %"),
            new Column("high", "number", "Upper end of its interval of 95 %"),
            new Column("unit", "string", "Unit of the figure; empty for a score"),
            new Column("level", "string", "Robust, serviceable, strained or failing"),
            new Column("score", "number", "Standing, 0 to 1"),
            new Column("read_on", "date", "Newest day it was read"),
            new Column("done_since", "string", "What was done since, whose expected effect is in it"));

    private static List<Column> lines() {
        Map<String, String> types = Map.of(
                "visited_on", "date", "taken_at", "datetime", "depth_top_mm", "number", "depth_bottom_mm", "number");
        Map<String, String> says = Map.ofEntries(
                Map.entry("field", "Name of the field"),
                Map.entry("grower", "Who works it"),
                Map.entry("stop", "Name of the stop"),
                Map.entry("visited_on", "Day of the visit"),
                Map.entry("taken_at", "Moment of the test, UTC"),
                Map.entry("test", "Which test"),
                Map.entry("measurement", "Id of the test as it was made"),
                Map.entry("depth_top_mm", "Top of the layer, mm"),
                Map.entry("depth_bottom_mm", "Bottom of the layer, mm"),
                Map.entry("what", "reading, figure, class or standing"),
                Map.entry("name", "Of the reading by its path, of the figure, class or indicator"),
                Map.entry("value", "Number, word or flag"),
                Map.entry("unit", "Unit of a number; empty for a pure one"));
        return RecordLine.COLUMNS.stream()
                .map(name -> new Column(name, types.getOrDefault(name, "string"), says.get(name)))
                .toList();
    }

    void write(UUID practice, @Nullable UUID only, OutputStream out) throws IOException {
        ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
        zip.putNextEntry(new ZipEntry("datapackage.json"));
        zip.write(json.writerWithDefaultPrettyPrinter().writeValueAsBytes(descriptor(practice)));
        zip.closeEntry();
        List<Field> all = records.fields(practice, only);
        Map<UUID, String> growers =
                fields.growers(practice).stream().collect(Collectors.toMap(Grower::id, Grower::name));
        table(zip, "fields", FIELDS, to -> {
            for (Field f : all) {
                to.row(
                        f.id(),
                        f.name(),
                        growers.get(f.growerId()),
                        f.landUse(),
                        f.crop(),
                        f.areaHa() == null ? null : Figures.text(f.areaHa()),
                        f.textureClass());
            }
        });
        table(zip, "stops", STOPS, to -> {
            for (Field f : all) {
                for (Stop s : fields.stops(practice, f.id())) {
                    to.row(s.id(), f.id(), s.label(), s.role(), s.longitude(), s.latitude());
                }
            }
        });
        table(zip, "visits", VISITS, to -> {
            for (Field f : all) {
                for (Visit v : visits.visitsOf(practice, f.id())) {
                    to.row(
                            v.id(),
                            f.id(),
                            v.visitedOn(),
                            v.person(),
                            v.soilMoisture(),
                            v.daysSinceRain(),
                            v.soilTempC());
                }
            }
        });
        table(zip, "events", EVENTS, to -> {
            for (Field f : all) {
                for (ManagementEvent e : fields.events(practice, f.id())) {
                    to.row(e.id(), f.id(), e.happenedOn(), e.kind(), e.what(), e.rate());
                }
            }
        });
        zip.putNextEntry(new ZipEntry("levels.csv"));
        tables.levels(practice, only, open(zip));
        zip.closeEntry();
        zip.putNextEntry(new ZipEntry("readings.csv"));
        tables.csv(practice, only, RecordLine.READING::equals, open(zip));
        zip.closeEntry();
        zip.putNextEntry(new ZipEntry("figures.csv"));
        tables.csv(practice, only, kind -> !kind.equals(RecordLine.READING), open(zip));
        zip.closeEntry();
        zip.finish();
    }

    private interface Rows {
        void print(CsvTable to) throws IOException;
    }

    private static void table(ZipOutputStream zip, String name, List<Column> columns, Rows rows) throws IOException {
        zip.putNextEntry(new ZipEntry(name + ".csv"));
        CsvTable table =
                new CsvTable(open(zip), columns.stream().map(Column::name).toList());
        rows.print(table);
        table.flush();
        zip.closeEntry();
    }

    /** The zip, which stays open when an entry is done. */
    private static OutputStream open(ZipOutputStream zip) {
        return new FilterOutputStream(zip) {
            @Override
            public void write(byte[] bytes, int from, int length) throws IOException {
                out.write(bytes, from, length);
            }

            @Override
            public void close() throws IOException {
                flush();
            }
        };
    }

    private Map<String, Object> descriptor(UUID practice) {
        String title = accounts.practiceName(practice);
        Map<String, Object> descriptor = new LinkedHashMap<>();
        descriptor.put("profile", "tabular-data-package");
        descriptor.put("name", "soil-health-records");
        descriptor.put("title", "Soil health records of " + title);
        descriptor.put(
                "created", clock.instant().truncatedTo(ChronoUnit.SECONDS).toString());
        List<Object> resources = new ArrayList<>();
        resources.add(resource("fields", "Fields", FIELDS, true, false));
        resources.add(resource("stops", "Stops", STOPS, true, true));
        resources.add(resource("visits", "Visits", VISITS, true, true));
        resources.add(resource("events", "What was done", EVENTS, true, true));
        resources.add(resource("levels", "Where fields and stops stand", LEVELS, false, false));
        resources.add(resource("readings", "Readings as they were taken", lines(), false, false));
        resources.add(resource("figures", "Figures, classes and standings that follow", lines(), false, false));
        descriptor.put("resources", resources);
        return descriptor;
    }

    private static Map<String, Object> resource(
            String name, String title, List<Column> columns, boolean byId, boolean ofField) {
        List<Object> described = new ArrayList<>();
        for (Column column : columns) {
            Map<String, Object> field = new LinkedHashMap<>();
            field.put("name", column.name());
            field.put("type", column.type());
            field.put("description", column.says());
            described.add(field);
        }
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("fields", described);
        if (byId) {
            schema.put("primaryKey", "id");
        }
        if (ofField) {
            schema.put(
                    "foreignKeys",
                    List.of(Map.of("fields", "field", "reference", Map.of("resource", "fields", "fields", "id"))));
        }
        Map<String, Object> resource = new LinkedHashMap<>();
        resource.put("profile", "tabular-data-resource");
        resource.put("name", name.toLowerCase(Locale.ROOT));
        resource.put("title", title);
        resource.put("path", name + ".csv");
        resource.put("format", "csv");
        resource.put("mediatype", "text/csv");
        resource.put("encoding", "utf-8");
        resource.put("schema", schema);
        return resource;
    }
}
