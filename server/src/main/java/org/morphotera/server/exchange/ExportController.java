package org.morphotera.server.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Files for other programs: of one field, or of the whole practice. They are made while they are sent. */
@RestController
class ExportController {

    private static final String CSV = "text/csv;charset=utf-8";
    private static final String WORKBOOK = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
    private static final String GEOJSON = "application/geo+json";
    private static final String ZIP = "application/zip";

    private final Tables tables;
    private final GeoExport geo;
    private final DataPackage dataPackage;
    private final FieldReader fields;
    private final Clock clock;

    ExportController(Tables tables, GeoExport geo, DataPackage dataPackage, FieldReader fields, Clock clock) {
        this.tables = tables;
        this.geo = geo;
        this.dataPackage = dataPackage;
        this.fields = fields;
        this.clock = clock;
    }

    /** Writes a file of some fields of a practice. */
    private interface Writer {
        void write(UUID practice, @Nullable UUID field, OutputStream out) throws IOException;
    }

    @GetMapping(value = "/api/exports/readings.csv", produces = CSV)
    ResponseEntity<StreamingResponseBody> exportReadings(
            @AuthenticationPrincipal Advisor who, @RequestParam(required = false) @Nullable UUID field) {
        return file(
                who,
                field,
                "readings",
                "csv",
                CSV,
                (practice, only, out) -> tables.csv(practice, only, RecordLine.READING::equals, out));
    }

    @GetMapping(value = "/api/exports/figures.csv", produces = CSV)
    ResponseEntity<StreamingResponseBody> exportFigures(
            @AuthenticationPrincipal Advisor who, @RequestParam(required = false) @Nullable UUID field) {
        return file(
                who,
                field,
                "figures",
                "csv",
                CSV,
                (practice, only, out) -> tables.csv(practice, only, kind -> !kind.equals(RecordLine.READING), out));
    }

    @GetMapping(value = "/api/exports/records.xlsx", produces = WORKBOOK)
    ResponseEntity<StreamingResponseBody> exportWorkbook(
            @AuthenticationPrincipal Advisor who, @RequestParam(required = false) @Nullable UUID field) {
        return file(who, field, "records", "xlsx", WORKBOOK, tables::workbook);
    }

    @GetMapping(value = "/api/exports/fields.geojson", produces = GEOJSON)
    ResponseEntity<StreamingResponseBody> exportShapes(
            @AuthenticationPrincipal Advisor who, @RequestParam(required = false) @Nullable UUID field) {
        return file(who, field, "fields", "geojson", GEOJSON, geo::write);
    }

    @GetMapping(value = "/api/exports/records.zip", produces = ZIP)
    ResponseEntity<StreamingResponseBody> exportPackage(
            @AuthenticationPrincipal Advisor who, @RequestParam(required = false) @Nullable UUID field) {
        return file(who, field, "records", "zip", ZIP, dataPackage::write);
    }

    private ResponseEntity<StreamingResponseBody> file(
            Advisor who, @Nullable UUID field, String what, String ending, String type, Writer writer) {
        UUID practice = who.practiceId();
        String of = field == null
                ? ""
                : NotFoundException.require(fields.field(practice, field), "field")
                                .name() + " ";
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(of + what + " " + LocalDate.now(clock) + "." + ending, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(out -> writer.write(practice, field, out));
    }
}
