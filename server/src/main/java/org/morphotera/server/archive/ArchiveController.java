package org.morphotera.server.archive;

import jakarta.validation.constraints.NotNull;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.reading.FaultText;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.jobs.Job;
import org.morphotera.server.jobs.Jobs;
import org.morphotera.server.jobs.Uploads;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The whole practice out and in. */
@RestController
@RequiresRole(Role.OWNER)
class ArchiveController {

    private static final int KEEP = 14;

    private final Archives archives;
    private final Restore restore;
    private final NightlyArchives nightly;
    private final ArchiveMapper rows;
    private final Jobs jobs;
    private final Uploads uploads;
    private final Audit audit;
    private final ApplicationEventPublisher events;

    ArchiveController(
            Archives archives,
            Restore restore,
            NightlyArchives nightly,
            ArchiveMapper rows,
            Jobs jobs,
            Uploads uploads,
            Audit audit,
            ApplicationEventPublisher events) {
        this.archives = archives;
        this.restore = restore;
        this.nightly = nightly;
        this.rows = rows;
        this.jobs = jobs;
        this.uploads = uploads;
        this.audit = audit;
        this.events = events;
    }

    /** Begins an archive; its file is the job's. */
    @PostMapping("/api/archives")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Job make(@AuthenticationPrincipal Advisor who) {
        UUID practice = who.practiceId();
        return jobs.start(who, Role.OWNER, "archive", handle -> {
            try {
                archives.write(practice, handle.file(), handle::at);
            } catch (DamagedArchiveException e) {
                throw new RefusedException(List.of(new FaultText(e.place(), "ARCHIVE", e.getMessage())));
            }
            Map<String, Object> result = new LinkedHashMap<>();
            result.put("file", archives.nameNow(practice));
            result.put("bytes", Files.size(handle.file()));
            return result;
        });
    }

    /** @param upload the archive, as it was sent */
    record RestoreOrder(@NotNull(message = "needs a file") UUID upload) {}

    /** Begins to restore an archive into this practice, which must be empty. Who did it signs in again afterwards. */
    @PostMapping("/api/restores")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Job restore(@AuthenticationPrincipal Advisor who, @RequestBody @Validated RestoreOrder order) {
        Path file = uploads.require(who, order.upload());
        if (!restore.isEmpty(who.practiceId())) {
            throw RefusedException.of(
                    "upload",
                    "NOT_EMPTY",
                    "An archive is restored into an empty practice only; this one has data. Begin with a new one.");
        }
        return jobs.start(who, Role.OWNER, "restore", handle -> {
            try {
                Restore.Restored restored = restore.run(file, who.practiceId(), handle::at);
                events.publishEvent(new PracticeRestored(restored.practiceId()));
                return Map.of(
                        "practice", restored.practice(), "rows", restored.rows(), "fromSchema", restored.fromSchema());
            } catch (DamagedArchiveException e) {
                throw new RefusedException(List.of(new FaultText(e.place(), "ARCHIVE", e.getMessage())));
            } finally {
                Files.deleteIfExists(file);
            }
        });
    }

    @GetMapping("/api/archive-setting")
    ArchiveSetting setting(@AuthenticationPrincipal Advisor who) {
        return view(who.practiceId(), rows.setting(who.practiceId()));
    }

    @PutMapping("/api/archive-setting")
    @Transactional
    ArchiveSetting putSetting(@AuthenticationPrincipal Advisor who, @RequestBody @Validated ArchiveSetting.Write body) {
        UUID practice = who.practiceId();
        ArchiveMapper.Row stored = rows.setting(practice);
        ArchiveMapper.Row sent = new ArchiveMapper.Row(
                practice,
                body.nightly(),
                body.folder(),
                body.keep(),
                stored == null ? null : stored.lastAt(),
                stored == null ? null : stored.lastSaid(),
                body.version() + 1);
        ArchiveMapper.Row kept = Versioned.write(
                sent, stored, ArchiveMapper.Row::version, () -> rows.insert(sent), () -> rows.update(sent), "setting");
        audit.note(who, "put", "archive-setting", practice, null);
        return view(practice, kept);
    }

    private ArchiveSetting view(UUID practice, ArchiveMapper.Row row) {
        String folder = row == null ? "archives" : row.folder();
        return new ArchiveSetting(
                row != null && row.nightly(),
                folder,
                row == null ? KEEP : row.keep(),
                nightly.folder(practice, folder).toString(),
                row == null ? null : row.lastAt(),
                row == null ? null : row.lastSaid(),
                row == null ? 0 : row.version());
    }
}
