package org.morphotera.server.exchange;

import jakarta.servlet.http.HttpServletResponse;
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
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Files for other programs: of one field, or of the whole practice. They are made while they are sent. */
@RestController
class ExportController {

    private static final Logger LOG = LoggerFactory.getLogger(ExportController.class);
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
    void exportReadings(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable UUID field,
            HttpServletResponse response)
            throws IOException {
        file(
                response,
                who,
                field,
                "readings",
                "csv",
                CSV,
                (practice, only, out) -> tables.csv(practice, only, RecordLine.READING::equals, out));
    }

    @GetMapping(value = "/api/exports/figures.csv", produces = CSV)
    void exportFigures(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable UUID field,
            HttpServletResponse response)
            throws IOException {
        file(
                response,
                who,
                field,
                "figures",
                "csv",
                CSV,
                (practice, only, out) -> tables.csv(practice, only, kind -> !kind.equals(RecordLine.READING), out));
    }

    @GetMapping(value = "/api/exports/records.xlsx", produces = WORKBOOK)
    void exportWorkbook(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable UUID field,
            HttpServletResponse response)
            throws IOException {
        file(response, who, field, "records", "xlsx", WORKBOOK, tables::workbook);
    }

    @GetMapping(value = "/api/exports/fields.geojson", produces = GEOJSON)
    void exportShapes(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable UUID field,
            HttpServletResponse response)
            throws IOException {
        file(response, who, field, "fields", "geojson", GEOJSON, geo::write);
    }

    @GetMapping(value = "/api/exports/records.zip", produces = ZIP)
    void exportPackage(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable UUID field,
            HttpServletResponse response)
            throws IOException {
        file(response, who, field, "records", "zip", ZIP, dataPackage::write);
    }

    /**
     * Written by the thread that answers, so that nobody interrupts it when a reader goes away: an interrupted read closes
     * the data file.
     */
    private void file(
            HttpServletResponse response,
            Advisor who,
            @Nullable UUID field,
            String what,
            String ending,
            String type,
            Writer writer)
            throws IOException {
        UUID practice = who.practiceId();
        String of = field == null
                ? ""
                : NotFoundException.require(fields.field(practice, field), "field")
                                .name() + " ";
        response.setContentType(type);
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(of + what + " " + LocalDate.now(clock) + "." + ending, StandardCharsets.UTF_8)
                        .build()
                        .toString());
        try {
            writer.write(practice, field, response.getOutputStream());
        } catch (IOException e) {
            // whoever asked has gone
            LOG.debug("a file was not fetched to its end: {}", e.getMessage());
        }
    }
}
