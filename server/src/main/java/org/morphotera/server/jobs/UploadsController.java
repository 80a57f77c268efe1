package org.morphotera.server.jobs;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Takes files in for long work. */
@RestController
@RequiresRole(Role.ADVISOR)
class UploadsController {

    private final Uploads uploads;

    UploadsController(Uploads uploads) {
        this.uploads = uploads;
    }

    /** The name under which the file is used; it is gone after a week. */
    record Upload(UUID id) {}

    @PostMapping(value = "/api/uploads", consumes = "application/octet-stream")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = "application/octet-stream",
                            schema = @Schema(type = "string", format = "binary")))
    Upload upload(@AuthenticationPrincipal Advisor who, HttpServletRequest request) throws IOException {
        return new Upload(uploads.take(who, request.getInputStream()));
    }
}
