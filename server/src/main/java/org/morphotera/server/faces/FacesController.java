package org.morphotera.server.faces;

import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.viewcache.ViewCache;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Fields as core strips, and one field as its face. */
@RestController
@RequiresRole(Role.ADVISOR)
class FacesController {

    private static final int PAGE = 60;

    private final FieldSummaries strips;
    private final SummaryWorker worker;
    private final SummaryMapper rows;
    private final FaceReader reader;
    private final AccessScope scope;
    private final ViewCache kept;

    FacesController(
            FieldSummaries strips,
            SummaryWorker worker,
            SummaryMapper rows,
            FaceReader reader,
            AccessScope scope,
            ViewCache kept) {
        this.kept = kept;
        this.scope = scope;
        this.strips = strips;
        this.worker = worker;
        this.rows = rows;
        this.reader = reader;
    }

    /**
     * Fields as strips, sixty at a time.
     *
     * @param find words that must all be found in name, grower, crop, texture or limit
     * @param order {@code limit} (most held back first), {@code name}, {@code visit} (longest ago first), {@code due}
     */
    @RequiresRole(Role.GROWER)
    @GetMapping("/api/fields")
    List<Faces.FieldStrip> strips(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable String find,
            @RequestParam(required = false) @Nullable String level,
            @RequestParam(required = false) @Nullable String grower,
            @RequestParam(required = false) @Nullable String order,
            @RequestParam(required = false) @Nullable Integer offset) {
        worker.settle(who.practiceId());
        List<String> words = find == null || find.isBlank()
                ? List.of()
                : List.of(find.toLowerCase(Locale.ROOT).strip().split("\\s+"));
        SummaryMapper.Wanted wanted = new SummaryMapper.Wanted(
                words,
                level,
                grower,
                order,
                PAGE,
                offset == null ? 0 : Math.max(0, offset),
                who.role() == Role.GROWER ? who.id() : null,
                who.role() == Role.HELPER ? who.id() : null);
        return rows.strips(who.practiceId(), wanted).stream()
                .map(kept -> strips.shown(who.practiceId(), kept))
                .toList();
    }

    @RequiresRole(Role.GROWER)
    @GetMapping("/api/fields/{id}")
    Faces.FieldFaceView face(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        scope.requireField(who, id);
        return kept.of(Faces.FieldFaceView.class, who.practiceId(), id, () -> reader.read(who.practiceId(), id));
    }
}
