package org.morphotera.server.exchange;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.web.NotFoundException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Files for other programs: of one field, or of the whole practice. They are made while they are sent. */
@RestController
@RequiresRole(Role.ADVISOR)
class ExportController {

    private static final Logger LOG = LoggerFactory.getLogger(ExportController.class);
    private static final String CSV = "text/csv;charset=utf-8";
    private static final String WORKBOOK = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
    private static final String GEOJSON = "application/geo+json";
    private static final String ZIP = "application/zip";

    private final Map<String, File> files;
    private final FieldReader fields;
    private final Clock clock;

    ExportController(Tables tables, GeoExport geo, DataPackage dataPackage, FieldReader fields, Clock clock) {
        this.fields = fields;
        this.clock = clock;
        files = Map.of(
                "readings.csv",
                new File(CSV, (practice, field, out) -> tables.csv(practice, field, RecordLine.READING::equals, out)),
                "figures.csv",
                new File(
                        CSV,
                        (practice, field, out) ->
                                tables.csv(practice, field, kind -> !kind.equals(RecordLine.READING), out)),
                "levels.csv",
                new File(CSV, tables::levels),
                "records.xlsx",
                new File(WORKBOOK, tables::workbook),
                "fields.geojson",
                new File(GEOJSON, geo::write),
                "records.zip",
                new File(ZIP, dataPackage::write));
    }

    /** Writes a file of some fields of a practice. */
    private interface Writer {
        void write(UUID practice, @Nullable UUID field, OutputStream out) throws IOException;
    }

    private record File(String type, Writer writer) {}

    /**
     * A file as it is made. Written by the thread that answers, so that nobody interrupts it when a reader goes away: an
     * interrupted read closes the data file.
     *
     * @param name {@code readings.csv}, {@code figures.csv}, {@code levels.csv}, {@code records.xlsx}, {@code fields.geojson}
     *     or {@code records.zip}
     * @param field the only one; the whole practice where it is absent
     */
    @GetMapping("/api/exports/{name}")
    void export(
            @AuthenticationPrincipal Advisor who,
            @PathVariable String name,
            @RequestParam(required = false) @Nullable UUID field,
            HttpServletResponse response)
            throws IOException {
        UUID practice = who.practiceId();
        File file = NotFoundException.require(files.get(name), "file");
        String of = field == null
                ? ""
                : NotFoundException.require(fields.field(practice, field), "field")
                                .name() + " ";
        response.setContentType(file.type());
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(of + name.replace(".", " " + LocalDate.now(clock) + "."), StandardCharsets.UTF_8)
                        .build()
                        .toString());
        try {
            file.writer().write(practice, field, response.getOutputStream());
        } catch (IOException e) {
            // whoever asked has gone
            LOG.debug("a file was not fetched to its end: {}", e.getMessage());
        }
    }
}
