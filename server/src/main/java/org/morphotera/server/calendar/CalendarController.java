package org.morphotera.server.calendar;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.OpenToAll;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.web.NotFoundException;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * A practice's calendar, and the addresses under which it is read without signing in. An address is shown once, when
 * it is made: only a hash of its secret is kept.
 */
@RestController
@RequiresRole(Role.ADVISOR)
class CalendarController {

    private static final String TYPE = "text/calendar;charset=utf-8";
    private static final int SECRET_BYTES = 24;
    /** A reading is noted at most so often. */
    private static final Duration NOTED = Duration.ofMinutes(10);

    private final CalendarMapper rows;
    private final CalendarWriter writer;
    private final Audit audit;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    CalendarController(CalendarMapper rows, CalendarWriter writer, Audit audit, Clock clock) {
        this.rows = rows;
        this.writer = writer;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * An address.
     *
     * @param path below the server's own address; only in the answer that made it
     * @param readAt when it was last read, to the ten minutes
     */
    @Schema(name = "CalendarAddress")
    record Address(
            UUID id,
            String name,
            @Nullable String path,
            Instant madeAt,
            @Nullable Instant readAt) {}

    /** @param name of the program or person it is for */
    @Schema(name = "CalendarAddressWrite")
    record Write(
            @NotBlank(message = "needs a name") @Size(max = 100)
            String name) {}

    @GetMapping(value = "/api/calendar.ics", produces = TYPE)
    ResponseEntity<String> download(@AuthenticationPrincipal Advisor who) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(TYPE))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("soil.ics")
                                .build()
                                .toString())
                .body(writer.write(who.practiceId()));
    }

    /** Read without signing in; whoever has the secret sees what is due, and nothing else. */
    @OpenToAll
    @GetMapping(value = "/api/calendars/{secret}.ics", produces = TYPE)
    ResponseEntity<String> bySecret(@PathVariable String secret) {
        CalendarMapper.Row row = NotFoundException.require(rows.bySecret(hash(secret)), "calendar");
        Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        if (row.readAt() == null || row.readAt().plus(NOTED).isBefore(now)) {
            rows.read(row.id(), now);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(TYPE))
                .cacheControl(CacheControl.noStore())
                .body(writer.write(row.practiceId()));
    }

    @GetMapping("/api/calendar-addresses")
    List<Address> addresses(@AuthenticationPrincipal Advisor who) {
        return rows.addresses(who.practiceId()).stream()
                .map(row -> new Address(row.id(), row.name(), null, row.madeAt(), row.readAt()))
                .toList();
    }

    @PostMapping("/api/calendar-addresses")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    Address make(@AuthenticationPrincipal Advisor who, @RequestBody @Validated Write body) {
        byte[] secret = new byte[SECRET_BYTES];
        random.nextBytes(secret);
        String text = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        UUID id = UUID.randomUUID();
        Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        rows.insert(id, who.practiceId(), who.id(), hash(text), body.name().strip(), now);
        audit.note(who, "put", "calendar-address", id, body.name().strip());
        return new Address(id, body.name().strip(), "/api/calendars/" + text + ".ics", now, null);
    }

    /** From now on the address answers nobody. */
    @DeleteMapping("/api/calendar-addresses/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void revoke(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        if (audit.toRemove(who, rows.address(who.practiceId(), id), "calendar-address", id) != null) {
            rows.delete(who.practiceId(), id);
            audit.note(who, "delete", "calendar-address", id, null);
        }
    }

    private static String hash(String secret) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
