package org.morphotera.server.jobs;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.NotFoundException;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Long work: how far it is, and what came of it. It belongs to whoever began it, and to the owners. */
@RestController
@RequiresRole(Role.ADVISOR)
class JobsController {

    private final Jobs jobs;

    JobsController(Jobs jobs) {
        this.jobs = jobs;
    }

    @GetMapping("/api/jobs")
    List<Job> jobs(@AuthenticationPrincipal Advisor who) {
        return jobs.of(who);
    }

    @GetMapping("/api/jobs/{id}")
    Job job(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        return jobs.require(who, id);
    }

    @GetMapping(value = "/api/jobs/{id}/file", produces = "application/zip")
    ResponseEntity<Resource> file(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        Job job = jobs.require(who, id);
        Path file = NotFoundException.require(jobs.file(who.practiceId(), id), "file");
        Object name = job.result() == null ? null : job.result().get("file");
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name == null ? "morphotera.zip" : name.toString(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(new FileSystemResource(file));
    }

    /** Takes ended work and its file away. */
    @DeleteMapping("/api/jobs/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) throws IOException {
        jobs.remove(who, id);
    }
}
