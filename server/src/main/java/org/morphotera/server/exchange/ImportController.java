package org.morphotera.server.exchange;

import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.jobs.Job;
import org.morphotera.server.jobs.Jobs;
import org.morphotera.server.jobs.Uploads;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Takes readings, fields and stops in from files: looked at first, then kept. */
@RestController
@RequiresRole(Role.ADVISOR)
class ImportController {

    private final ReadingsImport readings;
    private final FieldsImport fields;
    private final Jobs jobs;
    private final Uploads uploads;

    ImportController(ReadingsImport readings, FieldsImport fields, Jobs jobs, Uploads uploads) {
        this.readings = readings;
        this.fields = fields;
        this.jobs = jobs;
        this.uploads = uploads;
    }

    /**
     * @param upload the file, as it was sent
     * @param store keeps what is in it; otherwise the answer only says what would come in
     */
    record ImportOrder(@NotNull(message = "needs a file") UUID upload, boolean store) {}

    /** Reads a table of readings, one a line. */
    @PostMapping("/api/imports/readings")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Job importReadings(@AuthenticationPrincipal Advisor who, @RequestBody @Validated ImportOrder order) {
        return start(who, order, "readings", (file, handle) -> readings.run(who, file, order.store(), handle));
    }

    /** Reads fields and stops from GeoJSON. */
    @PostMapping("/api/imports/fields")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Job importFields(@AuthenticationPrincipal Advisor who, @RequestBody @Validated ImportOrder order) {
        return start(who, order, "fields", (file, handle) -> fields.run(who, file, order.store()));
    }

    private interface Import {
        Map<String, Object> run(Path file, Jobs.Handle handle) throws IOException;
    }

    private Job start(Advisor who, ImportOrder order, String what, Import work) {
        Path file = uploads.require(who, order.upload());
        return jobs.start(who, Role.ADVISOR, (order.store() ? "import-" : "check-") + what, handle -> {
            Map<String, Object> came = work.run(file, handle);
            if (order.store()) {
                Files.deleteIfExists(file);
            }
            return came;
        });
    }
}
