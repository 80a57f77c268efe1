package org.morphotera.server.photos;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
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
class PhotosController {

    private static final int LONGEST_NOTE = 400;

    private final PhotoMapper rows;
    private final Places places;
    private final Audit audit;

    PhotosController(PhotoMapper rows, Places places, Audit audit) {
        this.rows = rows;
        this.places = places;
        this.audit = audit;
    }

    /**
     * Keeps a photo; a repeated send is the same photo.
     *
     * @param keepPosition leaves the position in the picture, on purpose only
     */
    @PutMapping(
            value = "/api/photos/{id}",
            consumes = {"image/jpeg", "image/png"})
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = "image/jpeg", schema = @Schema(type = "string", format = "binary")))
    @Transactional
    Photo put(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam UUID visit,
            @RequestParam UUID stop,
            @RequestParam(required = false) @Nullable String method,
            @RequestParam(required = false) @Nullable Double depthMm,
            @RequestParam(required = false) @Nullable String note,
            @RequestParam Instant takenAt,
            @RequestParam(required = false) @Nullable Boolean keepPosition,
            HttpServletRequest request)
            throws IOException {
        Photo stored = rows.photo(who.practiceId(), id);
        if (stored != null) {
            return stored;
        }
        Places.Place place = places.require(who.practiceId(), visit, stop);
        if (note != null && note.length() > LONGEST_NOTE) {
            throw RefusedException.of("note", "TOO_LONG", "At most 400 characters.");
        }
        byte[] sent = request.getInputStream().readAllBytes();
        String type = ImageContent.typeOf(sent);
        byte[] kept = Boolean.TRUE.equals(keepPosition) ? sent : ImageContent.withoutPosition(sent, type);
        Photo photo = new Photo(id, visit, stop, "", method, depthMm, note, takenAt);
        rows.insert(who.practiceId(), place.field().id(), photo, type, kept.length, kept);
        audit.note(who, "put", "photo", id, null);
        return rows.photo(who.practiceId(), id);
    }

    @GetMapping(
            value = "/api/photos/{id}",
            produces = {"image/jpeg", "image/png"})
    ResponseEntity<byte[]> content(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        PhotoMapper.Content photo = NotFoundException.require(rows.content(who.practiceId(), id), "photo");
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(photo.type()))
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(photo.content());
    }

    @GetMapping("/api/fields/{id}/photos")
    List<Photo> ofField(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        return rows.ofField(
                who.practiceId(), places.requireField(who.practiceId(), id).id());
    }

    /** The newest earlier photo of the same test at the same stop; nothing when there is none. */
    @GetMapping("/api/stops/{id}/photo-before")
    ResponseEntity<Photo> before(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam String method,
            @RequestParam Instant before) {
        places.requireStop(who.practiceId(), id);
        Photo photo = rows.before(who.practiceId(), id, method, before);
        return photo == null ? ResponseEntity.noContent().build() : ResponseEntity.ok(photo);
    }

    @DeleteMapping("/api/photos/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void delete(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        NotFoundException.require(rows.photo(who.practiceId(), id), "photo");
        rows.delete(who.practiceId(), id);
        audit.note(who, "delete", "photo", id, null);
    }
}
