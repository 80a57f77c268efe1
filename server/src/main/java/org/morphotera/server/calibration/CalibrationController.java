package org.morphotera.server.calibration;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.measurements.FromPhoto;
import org.morphotera.server.measurements.FromPhotos;
import org.morphotera.server.photos.Pictures;
import org.morphotera.server.web.NotFoundException;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Calibration sessions: made, joined by a code, scored unseen, shown together. */
@RestController
@RequiresRole(Role.ADVISOR)
class CalibrationController {

    /** Sessions, newest first, the tests that can be scored in one, and how often pictures were right. */
    @Schema(name = "CalibrationList")
    record Sessions(List<Calibration> sessions, List<Calibration.Scaled> tests, List<FromPhoto.Agreement> photos) {}

    private final CalibrationSessions sessions;
    private final FromPhotos photos;

    CalibrationController(CalibrationSessions sessions, FromPhotos photos) {
        this.photos = photos;
        this.sessions = sessions;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/calibrations")
    Sessions calibrations(@AuthenticationPrincipal Advisor who) {
        return new Sessions(sessions.newest(who), sessions.tests(), photos.agreements(who.practiceId()));
    }

    /**
     * How people score beside the others, by the newest session in which each of them took part.
     *
     * @param test whose score it is about
     */
    @GetMapping("/api/calibration-biases")
    List<Calibration.Bias> biases(@AuthenticationPrincipal Advisor who, @RequestParam @Size(max = 40) String test) {
        return sessions.biases(who, test);
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/calibrations/{id}")
    Calibration.View calibration(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable UUID member) {
        return sessions.view(who, id, member);
    }

    @PutMapping("/api/calibrations/{id}")
    @Transactional
    Calibration putCalibration(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated Calibration.Write body) {
        return sessions.put(who, id, body);
    }

    /** Joins the session of a code; a repeated send is the same member. */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PostMapping("/api/calibration-members")
    @Transactional
    Calibration.View joinCalibration(
            @AuthenticationPrincipal Advisor who, @RequestBody @Validated Calibration.Join body) {
        return sessions.join(who, body);
    }

    /** All scores of one member, in the place of those sent before. */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping("/api/calibrations/{id}/scores/{member}")
    @Transactional
    Calibration.View putCalibrationScores(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @PathVariable UUID member,
            @RequestBody @Validated Calibration.Scores body) {
        return sessions.score(who, id, member, body.scores());
    }

    /** Shows the scores that are in, although some are missing; nothing is scored after that. */
    @PutMapping("/api/calibrations/{id}/closed")
    @Transactional
    Calibration.View closeCalibration(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        return sessions.close(who, id);
    }

    /** Keeps what a place looked like to a member; a repeated send is the same photo. */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @PutMapping(
            value = "/api/calibrations/{id}/photos/{photo}",
            consumes = {"image/jpeg", "image/png", "image/webp"})
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = "image/jpeg", schema = @Schema(type = "string", format = "binary")))
    @Transactional
    Calibration.View putCalibrationPhoto(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @PathVariable UUID photo,
            @RequestParam UUID member,
            @RequestParam @Min(1) @Max(Calibration.MOST_PLACES) int place,
            HttpServletRequest request)
            throws IOException {
        sessions.mayScore(who, id, member);
        byte[] small = Pictures.drawnAnew(request.getInputStream().readAllBytes(), false)
                .small();
        return sessions.keepPhoto(
                who, id, photo, member, place, Base64.getEncoder().encodeToString(small));
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping(
            value = "/api/calibrations/{id}/photos/{photo}",
            produces = {"image/jpeg"})
    ResponseEntity<byte[]> calibrationPhoto(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @PathVariable UUID photo) {
        String picture = NotFoundException.require(sessions.photo(who, id, photo), "photo");
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(Base64.getDecoder().decode(picture));
    }
}
