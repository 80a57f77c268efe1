package org.morphotera.server.photos;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HexFormat;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.Moments;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Sensible;
import org.morphotera.server.web.StaleException;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Photos of a practice: sent as they are, with where and of what in the address. */
@RestController
@RequiresRole(Role.ADVISOR)
class PhotosController {

    private final PhotoMapper rows;
    private final Places places;
    private final MethodRegistry methods;
    private final Audit audit;
    private final Clock clock;

    PhotosController(PhotoMapper rows, Places places, MethodRegistry methods, Audit audit, Clock clock) {
        this.clock = clock;
        this.methods = methods;
        this.rows = rows;
        this.places = places;
        this.audit = audit;
    }

    /**
     * Keeps a photo; a repeated send is the same photo.
     *
     * @param keepPosition leaves the position in the picture, on purpose only
     */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping(
            value = "/api/photos/{id}",
            consumes = {"image/jpeg", "image/png", "image/webp"})
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = "image/jpeg", schema = @Schema(type = "string", format = "binary")))
    @Transactional
    Photo put(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam UUID visit,
            @RequestParam UUID stop,
            @RequestParam(required = false) @Nullable @Size(max = 40) String method,
            @RequestParam(required = false) @Nullable @DecimalMin("0") @DecimalMax("5000") Double depthMm,
            @RequestParam(required = false) @Nullable @Size(max = 400) String note,
            @RequestParam @Sensible(aheadDays = Moments.DAYS_AHEAD) Instant takenAt,
            @RequestParam(required = false) @Nullable Boolean keepPosition,
            HttpServletRequest request)
            throws IOException {
        UUID practice = who.practiceId();
        Places.Place place = places.require(who, visit, stop);
        if (method != null && !methods.has(method)) {
            throw RefusedException.of("method", "NO_SUCH_TEST", "There is no such test. Name one of the catalogue.");
        }
        byte[] sent = request.getInputStream().readAllBytes();
        String hash = hash(sent);
        Photo stored = rows.photo(practice, id);
        // of a device whose clock is ahead, the moment at which it arrived first
        Instant taken = Moments.notAhead(takenAt, stored == null ? clock.instant() : stored.takenAt())
                .truncatedTo(ChronoUnit.MILLIS);
        Photo photo = new Photo(id, visit, stop, place.stop().label(), method, depthMm, note, taken);
        if (stored != null) {
            places.requireStop(who, stored.stopId());
            String before = rows.sentHash(practice, id);
            if (before != null && !before.equals(hash) || !same(photo, stored)) {
                throw new StaleException(photo, stored);
            }
            return stored;
        }
        Pictures.Kept kept = Pictures.drawnAnew(sent, Boolean.TRUE.equals(keepPosition));
        rows.insert(practice, place.field().id(), photo, kept, kept.content().length, hash, kept.hash());
        audit.note(who, "put", "photo", id, null);
        return rows.photo(who.practiceId(), id);
    }

    /** The same in all that was sent with it; the label of the stop is not the photo's. */
    private static boolean same(Photo sent, Photo stored) {
        return sent.visitId().equals(stored.visitId())
                && sent.stopId().equals(stored.stopId())
                && Objects.equals(sent.method(), stored.method())
                && Objects.equals(sent.depthMm(), stored.depthMm())
                && Objects.equals(sent.note(), stored.note())
                && sent.takenAt().equals(stored.takenAt().truncatedTo(ChronoUnit.MILLIS));
    }

    private static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * A picture; it stays in no cache but the page's own.
     *
     * @param size {@code small} for a list
     */
    @RequiresRole(Role.GROWER)
    @GetMapping(
            value = "/api/photos/{id}",
            produces = {"image/jpeg", "image/png"})
    ResponseEntity<byte[]> content(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable String size) {
        Photo where = NotFoundException.require(rows.photo(who.practiceId(), id), "photo");
        places.requireStop(who, where.stopId());
        PhotoMapper.Content small = "small".equals(size) ? rows.small(who.practiceId(), id) : null;
        PhotoMapper.Content photo =
                small != null ? small : NotFoundException.require(rows.content(who.practiceId(), id), "photo");
        // whatever a row says: nothing but a picture is served from here
        if (!Pictures.TYPES.contains(photo.type())) {
            throw new NotFoundException("photo");
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(photo.type()))
                .cacheControl(CacheControl.noStore())
                .body(photo.content());
    }

    @RequiresRole(Role.GROWER)
    @GetMapping("/api/fields/{id}/photos")
    List<Photo> ofField(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        return rows.ofField(who.practiceId(), places.requireField(who, id).id());
    }

    /** The newest earlier photo of the same test at the same stop; nothing when there is none. */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/stops/{id}/photo-before")
    ResponseEntity<Photo> before(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam @Size(max = 40) String method,
            @RequestParam @Sensible(aheadDays = Moments.DAYS_AHEAD) Instant before) {
        places.requireStop(who, id);
        Photo photo = rows.before(who.practiceId(), id, method, before);
        return photo == null ? ResponseEntity.noContent().build() : ResponseEntity.ok(photo);
    }

    @DeleteMapping("/api/photos/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void delete(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        if (audit.toRemove(who, rows.photo(who.practiceId(), id), "photo", id) != null) {
            rows.delete(who.practiceId(), id);
            audit.note(who, "delete", "photo", id, null);
        }
    }
}
