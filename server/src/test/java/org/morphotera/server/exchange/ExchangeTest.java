package org.morphotera.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.io.ParseException;
import org.locationtech.jts.io.geojson.GeoJsonReader;
import org.morphotera.core.WorkedCase;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.LongWork;
import org.morphotera.server.OwnApp;
import org.morphotera.server.RunningApp;

/** What goes out is read by other programs, and what comes in is taken whole or not at all. */
@ExtendWith(RunningApp.class)
class ExchangeTest {

    private static final int DAMAGES = Integer.getInteger("morphotera.damages", 40);

    @TempDir
    static Path folder;

    private static OwnApp app;

    @BeforeAll
    static void start() {
        app = OwnApp.start("--morphotera.data=" + folder.resolve("data"));
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static List<CSVRecord> csv(String text) throws IOException {
        return CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(text))
                .getRecords();
    }

    @Test
    void readingsAreOneFigureALineWithItsUnit(ApiClient advisor) throws IOException {
        List<CSVRecord> readings = csv(advisor.get("/api/exports/readings.csv").text());
        List<CSVRecord> figures = csv(advisor.get("/api/exports/figures.csv").text());
        assertThat(readings).hasSizeGreaterThan(1000).allSatisfy(line -> {
            assertThat(line.isConsistent()).isTrue();
            assertThat(line.get("what")).isEqualTo("reading");
            assertThat(UUID.fromString(line.get("measurement"))).isNotNull();
        });
        assertThat(readings).anySatisfy(line -> {
            assertThat(line.get("name")).isEqualTo("layers[0].bottomMm");
            assertThat(line.get("unit")).isEqualTo("mm");
        });
        assertThat(figures).anySatisfy(line -> {
            assertThat(line.get("name")).isEqualTo("phWater");
            assertThat(line.get("unit")).isEqualTo("pH");
            assertThat(Double.parseDouble(line.get("value"))).isBetween(3.0, 11.0);
        });
    }

    @Test
    void aWorkbookHoldsTheSameFigures(ApiClient advisor) throws IOException {
        String field = advisor.get("/api/fields").list().get(0).get("id").toString();
        List<CSVRecord> lines =
                csv(advisor.get("/api/exports/readings.csv?field=" + field).text());
        try (Workbook book =
                new XSSFWorkbook(new ByteArrayInputStream(advisor.bytes("/api/exports/records.xlsx?field=" + field)))) {
            Sheet sheet = book.getSheet("Readings");
            assertThat(sheet.getLastRowNum()).isEqualTo(lines.size());
            for (int i = 0; i < lines.size(); i++) {
                Row row = sheet.getRow(i + 1);
                assertThat(row.getCell(0).getStringCellValue())
                        .isEqualTo(lines.get(i).get("field"));
                assertThat(row.getCell(3).getLocalDateTimeCellValue().toLocalDate())
                        .isEqualTo(LocalDate.parse(lines.get(i).get("visited_on")));
                String value = lines.get(i).get("value");
                switch (row.getCell(11).getCellType()) {
                    case NUMERIC ->
                        assertThat(row.getCell(11).getNumericCellValue()).isEqualTo(Double.parseDouble(value));
                    default -> assertThat(row.getCell(11).getStringCellValue()).isEqualTo(value);
                }
            }
            assertThat(book.getSheet("Figures").getLastRowNum()).isPositive();
        }
    }

    @Test
    @SuppressWarnings("unchecked")
    void shapesAreGeoJsonThatOthersDraw(ApiClient advisor) throws ParseException {
        Answer answer = advisor.get("/api/exports/fields.geojson");
        assertThat(answer.type()).startsWith("application/geo+json");
        List<Map<String, Object>> features =
                (List<Map<String, Object>>) answer.json().get("features");
        int areas = 0;
        int stops = 0;
        for (Map<String, Object> feature : features) {
            assertThat(feature).containsKeys("type", "geometry", "properties");
            Map<String, Object> properties = (Map<String, Object>) feature.get("properties");
            if (feature.get("geometry") == null) {
                continue;
            }
            Geometry shape = new GeoJsonReader().read(WorkedCase.JSON.writeValueAsString(feature.get("geometry")));
            assertThat(shape.isValid()).isTrue();
            if (shape instanceof Polygon area) {
                areas++;
                assertThat(Orientation.isCCW(area.getExteriorRing().getCoordinates()))
                        .isTrue();
                for (int i = 0; i < area.getNumInteriorRing(); i++) {
                    assertThat(Orientation.isCCW(area.getInteriorRingN(i).getCoordinates()))
                            .isFalse();
                }
            }
            if ("stop".equals(properties.get("kind"))) {
                stops++;
                assertThat((Map<String, Object>) properties.get("figures")).isNotNull();
            }
        }
        assertThat(areas).isPositive();
        assertThat(stops).isPositive();
        assertThat(answer.text()).contains("\"ph mid-100-200 meter\"");
    }

    @Test
    void theDescriptorOfTheDataPackageIsSoundAndItsTablesAreWhatItSays(ApiClient advisor) throws IOException {
        Map<String, byte[]> files = unzip(advisor.bytes("/api/exports/records.zip"));
        String descriptor = new String(files.get("datapackage.json"), StandardCharsets.UTF_8);
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_4)
                .getSchema(new String(
                        getClass()
                                .getResourceAsStream("/schemas/tabular-data-package.json")
                                .readAllBytes(),
                        StandardCharsets.UTF_8));
        assertThat(schema.validate(descriptor, InputFormat.JSON)).isEmpty();
        assertThat(schema.validate(descriptor.replace("\"resources\"", "\"tables\""), InputFormat.JSON))
                .isNotEmpty();
        @SuppressWarnings("unchecked")
        List<Map<String, Object>> resources = (List<Map<String, Object>>)
                WorkedCase.JSON.readValue(descriptor, Map.class).get("resources");
        for (Map<String, Object> resource : resources) {
            List<CSVRecord> rows = csv(new String(files.get(resource.get("path").toString()), StandardCharsets.UTF_8));
            List<Map<String, Object>> columns = Land.rows(Land.part(resource, "schema"), "fields");
            assertThat(rows).as(resource.get("name").toString()).isNotEmpty();
            assertThat(rows.get(0).getParser().getHeaderNames())
                    .isEqualTo(
                            columns.stream().map(column -> column.get("name")).toList());
            for (CSVRecord row : rows) {
                for (Map<String, Object> column : columns) {
                    String cell = row.get(column.get("name").toString());
                    if (!cell.isEmpty() && "number".equals(column.get("type"))) {
                        assertThat(Double.parseDouble(cell)).isFinite();
                    } else if (!cell.isEmpty() && "date".equals(column.get("type"))) {
                        assertThat(LocalDate.parse(cell)).isNotNull();
                    }
                }
            }
        }
    }

    private static Map<String, byte[]> unzip(byte[] zip) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    @Test
    void aCalendarIsReadByItsSecretUntilThatIsRevoked(ApiClient advisor) {
        Answer made = advisor.post("/api/calendar-addresses", Map.of("name", "phone"));
        assertThat(made.status()).isEqualTo(201);
        String path = made.json().get("path").toString();
        ApiClient nobody = RunningApp.client();
        Answer read = nobody.get(path);
        assertThat(read.status()).isEqualTo(200);
        assertThat(read.type()).startsWith("text/calendar");
        List<ICalendar> calendars = Biweekly.parse(read.text()).all();
        assertThat(calendars).hasSize(1);
        assertThat(calendars.get(0).validate(biweekly.ICalVersion.V2_0)).isEmpty();
        List<VEvent> events = calendars.get(0).getEvents();
        int due = advisor.get("/api/year").list().size();
        assertThat(events).hasSizeGreaterThanOrEqualTo(due).allSatisfy(event -> {
            assertThat(event.getUid().getValue()).isNotBlank();
            assertThat(event.getSummary().getValue()).isNotBlank();
            assertThat(event.getDateEnd().getValue())
                    .isAfter(event.getDateStart().getValue());
        });
        assertThat(events.stream().map(event -> event.getUid().getValue()).distinct())
                .hasSameSizeAs(events);
        // the secret opens nothing else, and is shown once
        assertThat(advisor.get("/api/calendar-addresses").text()).doesNotContain(path);
        assertThat(nobody.get("/api/calendar.ics").status()).isEqualTo(401);
        assertThat(nobody.get("/api/calendar-addresses").status()).isEqualTo(401);
        assertThat(nobody.get("/api/calendars/" + "A".repeat(32) + ".ics").status())
                .isEqualTo(404);
        String id = made.json().get("id").toString();
        assertThat(advisor.delete("/api/calendar-addresses/" + id).status()).isEqualTo(204);
        assertThat(nobody.get(path).status()).isEqualTo(404);
    }

    @Test
    void whatWasExportedIsKnownWhenItComesBack(ApiClient advisor) {
        // other tests have made fields that share a name
        byte[] out = advisor.bytes("/api/exports/readings.csv?field=" + named(advisor, "Gull Polder"));
        Map<String, Object> looked = LongWork.imported(advisor, "readings", out, true);
        assertThat(looked).as("%s", looked).containsEntry("state", "done");
        assertThat(LongWork.result(looked)).containsEntry("tests", 0).containsEntry("newStops", 0);
        assertThat((Integer) LongWork.result(looked).get("alreadyHere")).isGreaterThan(200);
    }

    private static String named(ApiClient advisor, String field) {
        return advisor.get("/api/fields?find=" + field.replace(" ", "%20")).list().stream()
                .filter(each -> each.get("name").equals(field))
                .map(each -> each.get("id").toString())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void readingsMakeTheSameFaceInAnotherPractice(ApiClient advisor) {
        ApiClient empty = app.client();
        for (String name : List.of("Gull Polder", "Craigend Ley", "Long Sluice", "Beet Reach")) {
            String field = named(advisor, name);
            byte[] shapes = advisor.bytes("/api/exports/fields.geojson?field=" + field);
            Map<String, Object> looked = LongWork.imported(empty, "fields", shapes, false);
            assertThat(looked).as("%s", looked).containsEntry("state", "done");
            assertThat(empty.get("/api/fields").list().stream().map(each -> each.get("name")))
                    .doesNotContain(name);
            Map<String, Object> kept = LongWork.imported(empty, "fields", shapes, true);
            assertThat(kept).as("%s", kept).containsEntry("state", "done");
            byte[] out = advisor.bytes("/api/exports/readings.csv?field=" + field);
            Map<String, Object> readings = LongWork.imported(empty, "readings", out, true);
            assertThat(readings).as("%s", readings).containsEntry("state", "done");
            Map<String, Object> here = advisor.get("/api/fields/" + field).json();
            Map<String, Object> there =
                    empty.get("/api/fields/" + named(empty, name)).json();
            assertThat(figures(here)).isNotEmpty();
            assertThat(figures(there).keySet()).isEqualTo(figures(here).keySet());
            // and again: nothing is there twice
            assertThat(LongWork.result(LongWork.imported(empty, "readings", out, true)))
                    .containsEntry("tests", 0);
            assertThat(LongWork.result(LongWork.imported(empty, "fields", shapes, true)))
                    .containsEntry("newFields", 0)
                    .containsEntry("changedFields", 0)
                    .containsEntry("newStops", 0);
        }
    }

    private static Map<String, Object> figures(Map<String, Object> face) {
        Map<String, Object> figures = new LinkedHashMap<>();
        Land.rows(face, "findings")
                .forEach(each -> figures.put(each.get("indicator") + "" + each.get("band"), each.get("figure")));
        return figures;
    }

    private static final String HEAD = "field,stop,visited_on,test,name,value,unit\r\n";

    @Test
    void anyKnownUnitIsTaken() {
        ApiClient advisor = app.client();
        Land land = new Land(advisor, 1, Map.of("name", "Units " + UUID.randomUUID()));
        String field = land.face().get("field") instanceof Map<?, ?> map
                ? map.get("name").toString()
                : "";
        String layers = field + ",New stop,2026-04-02,ph,kind,meter-1to1,\r\n" + field
                + ",New stop,2026-04-02,ph,layers[0].topMm,0,in\r\n" + field
                + ",New stop,2026-04-02,ph,layers[0].bottomMm,6,in\r\n" + field
                + ",New stop,2026-04-02,ph,layers[0].value,6.2,\r\n";
        String salt = field + ",Stop 1,2026-04-02,salinity,mode,lab-ece,\r\n" + field
                + ",Stop 1,2026-04-02,salinity,readings[0],3500,umhos/cm\r\n";
        Map<String, Object> kept =
                LongWork.imported(advisor, "readings", (HEAD + layers + salt).getBytes(StandardCharsets.UTF_8), true);
        assertThat(kept).as("%s", kept).containsEntry("state", "done");
        assertThat(csv2(advisor, field)).anySatisfy(line -> {
            assertThat(line.get("name")).isEqualTo("ece");
            assertThat(Double.parseDouble(line.get("value"))).isEqualTo(3.5);
        });
        assertThat(advisor.get("/api/exports/readings.csv").text()).contains(",layers[0].bottomMm,152.4,mm");
        assertThat(Land.rows(land.face(), "stops").stream().map(stop -> stop.get("label")))
                .containsExactly("Stop 1", "New stop");
    }

    private static List<CSVRecord> csv2(ApiClient advisor, String field) {
        try {
            return csv(advisor.get("/api/exports/figures.csv").text()).stream()
                    .filter(line -> line.get("field").equals(field))
                    .toList();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void everyFaultyLineIsNamedAndNothingIsStored() {
        ApiClient advisor = app.client();
        String field = "Faulty " + UUID.randomUUID();
        Land land = new Land(advisor, 1, Map.of("name", field));
        String good = field + ",Stop 1,2026-04-02,salinity,mode,lab-ece,\r\n" + field
                + ",Stop 1,2026-04-02,salinity,readings[0],2,dS/m\r\n";
        String faulty = HEAD + good + "Nowhere,Stop 1,2026-04-02,salinity,mode,lab-ece,\r\n" + field
                + ",Stop 1,2026-13-02,salinity,mode,lab-ece,\r\n" + field
                + ",Stop 2,2026-04-03,salinity,readings[0],2,psi\r\n" + field
                + ",Stop 3,2026-04-03,no-such-test,readings[0],2,\r\n" + field
                + ",Stop 4,2026-04-03,salinity,mode,lab-ece,\r\n" + field
                + ",Stop 4,2026-04-03,salinity,readings[0],999,dS/m\r\n";
        Map<String, Object> job = LongWork.imported(advisor, "readings", faulty.getBytes(StandardCharsets.UTF_8), true);
        assertThat(job).containsEntry("state", "refused");
        assertThat(LongWork.errors(job).stream().map(each -> each.get("field")))
                .contains("line 4, field", "line 5, visited_on", "line 6, unit", "line 7, test", "line 9, readings[0]");
        assertThat(csv2(advisor, field)).isEmpty();
        assertThat(Land.rows(land.face(), "stops")).hasSize(1);

        assertThat(LongWork.errors(LongWork.imported(
                                advisor, "readings", "a,b\r\n1,2\r\n".getBytes(StandardCharsets.UTF_8), false))
                        .stream()
                        .map(each -> each.get("field")))
                .contains("line 1, field", "line 1, stop", "line 1, value");
        assertThat(LongWork.errors(LongWork.imported(
                        advisor,
                        "fields",
                        "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\"}]}"
                                .getBytes(StandardCharsets.UTF_8),
                        true)))
                .isNotEmpty();
    }

    /** So many damages (2,000 in {@code bin/bench fuzz}) to a table of readings and to a file of shapes. */
    @Test
    void noDamageIsStoredOrAnsweredWithAnError() {
        ApiClient advisor = app.client();
        String field = "Damaged " + UUID.randomUUID();
        Land land = new Land(advisor, 2, Map.of("name", field));
        StringBuilder lines = new StringBuilder(HEAD);
        for (int i = 1; i <= 2; i++) {
            for (String line : List.of("mode,lab-ece,", "readings[0],2,dS/m", "readings[1],2.1,mS/cm")) {
                lines.append(field)
                        .append(",Stop ")
                        .append(i)
                        .append(",2026-04-02,salinity,")
                        .append(line)
                        .append("\r\n");
            }
        }
        String shapes =
                "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"geometry\":{\"type\":\"Polygon\","
                        + "\"coordinates\":[[[3.1,53.1],[3.2,53.1],[3.2,53.2],[3.1,53.1]]]},\"properties\":{\"name\":\""
                        + field
                        + " too\"}}]}";
        Random random = new Random(11);
        int refused = 0;
        for (int i = 0; i < DAMAGES; i++) {
            for (String what : List.of("readings", "fields")) {
                byte[] file = damaged(
                        (what.equals("readings") ? lines.toString() : shapes).getBytes(StandardCharsets.UTF_8), random);
                Map<String, Object> job = LongWork.imported(advisor, what, file, false);
                assertThat(job.get("state"))
                        .as(new String(file, StandardCharsets.UTF_8))
                        .isIn("done", "refused");
                refused += job.get("state").equals("refused") ? 1 : 0;
            }
        }
        assertThat(refused).isGreaterThan(DAMAGES / 2);
        assertThat(csv2(advisor, field)).isEmpty();
        assertThat(Land.rows(land.face(), "visits")).isEmpty();
        assertThat(advisor.get("/api/fields").list().stream().map(each -> each.get("name")))
                .doesNotContain(field + " too");
    }

    private static byte[] damaged(byte[] whole, Random random) {
        List<Byte> bytes = new ArrayList<>();
        for (byte each : whole) {
            bytes.add(each);
        }
        int at = random.nextInt(bytes.size());
        switch (random.nextInt(4)) {
            case 0 -> bytes.set(at, (byte) random.nextInt(256));
            case 1 -> bytes.add(at, (byte) "\",;\n{}[]\t0-".charAt(random.nextInt(11)));
            case 2 ->
                bytes.subList(at, Math.min(bytes.size(), at + 1 + random.nextInt(30)))
                        .clear();
            default ->
                bytes.addAll(at, List.copyOf(bytes.subList(at, Math.min(bytes.size(), at + random.nextInt(60)))));
        }
        byte[] damaged = new byte[bytes.size()];
        for (int i = 0; i < damaged.length; i++) {
            damaged[i] = bytes.get(i);
        }
        return Arrays.copyOf(damaged, damaged.length);
    }

    @Test
    void whatASpreadsheetWouldWorkOutLeavesAsTextAndComesBackAsItWas() throws IOException {
        ApiClient owner = app.client();
        for (String name : List.of("=HYPERLINK(\"http://x\")", "+1+1", "@SUM(A1)", "-cmd|' /C calc'!A0", "'=1", "－1")) {
            Land land = new Land(owner, 1, Map.of("name", name));
            land.ph(land.visit(LocalDate.of(2026, 4, 10)), 0, 6.4, LocalDate.of(2026, 4, 10));
            String text =
                    owner.get("/api/exports/readings.csv?field=" + land.field).text();
            assertThat(csv(text)).isNotEmpty().allSatisfy(line -> {
                assertThat(line.get("field")).isEqualTo("'" + name);
                assertThat(line.get("depth_top_mm")).isEqualTo("0");
            });
            // read in again it is the same field, so nothing is new
            Map<String, Object> job =
                    LongWork.imported(owner, "readings", text.getBytes(StandardCharsets.UTF_8), false);
            assertThat(job).as("%s", job).containsEntry("state", "done");
            assertThat(LongWork.result(job).toString()).doesNotContain("'" + name);
        }
    }

    @Test
    void levelsAreThoseThatThePageSays(ApiClient advisor) throws IOException {
        String field = advisor.get("/api/fields").list().get(0).get("id").toString();
        List<CSVRecord> levels =
                csv(advisor.get("/api/exports/levels.csv?field=" + field).text());
        List<Map<String, Object>> findings =
                Land.rows(advisor.get("/api/fields/" + field).json(), "findings");
        int same = 0;
        for (Map<String, Object> finding : findings) {
            if (finding.get("figure") == null) {
                continue;
            }
            CSVRecord line = levels.stream()
                    .filter(each -> each.get("stop").isEmpty()
                            && each.get("indicator").split(" by ")[0].equals(finding.get("indicator"))
                            && each.get("depth").equals(finding.get("band"))
                            && each.get("unit").equals(String.valueOf(finding.get("unit"))))
                    .findFirst()
                    .orElse(null);
            if (line != null) {
                double figure = ((Number) finding.get("figure")).doubleValue();
                assertThat(Double.parseDouble(line.get("value")))
                        .as("%s", finding)
                        .isEqualTo(figure);
                assertThat(Double.parseDouble(line.get("low")))
                        .isLessThanOrEqualTo(Double.parseDouble(line.get("value")));
                assertThat(line.get("level")).isEqualTo(finding.get("level"));
                same++;
            }
        }
        assertThat(same).isGreaterThan(3);
        assertThat(levels).anySatisfy(line -> assertThat(line.get("stop")).isNotEmpty());
        try (Workbook book =
                new XSSFWorkbook(new ByteArrayInputStream(advisor.bytes("/api/exports/records.xlsx?field=" + field)))) {
            assertThat(book.getSheet("Levels").getLastRowNum()).isEqualTo(levels.size());
        }
    }
}
