package org.morphotera.server.reports;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Catalogue;
import org.morphotera.core.method.Catalogue.MethodEntry;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.change.ChangeReader;
import org.morphotera.server.faces.FaceReader;
import org.morphotera.server.faces.Faces;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.photos.PhotoReader;
import org.morphotera.server.plans.FieldPlans;
import org.morphotera.server.sheets.SheetReader;
import org.morphotera.server.sheets.Sheets;
import org.morphotera.server.web.NotFoundException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** PDF to hand out: the grower's report, and blank field sheets for paper days. */
@RestController
@RequiresRole(Role.ADVISOR)
class ReportsController {

    private static final int PICTURES = 4;

    private final FaceReader faces;
    private final AccessScope scope;
    private final SheetReader sheets;
    private final FieldPlans plans;
    private final FieldLimits limits;
    private final FieldReader fields;
    private final ChangeReader changes;
    private final PhotoReader photos;
    private final AccountReader accounts;
    private final MethodRegistry methods;
    private final Messages messages;
    private final Benchmarks benchmarks;
    private final Clock clock;
    private final Press press;

    ReportsController(
            FaceReader faces,
            SheetReader sheets,
            FieldPlans plans,
            FieldLimits limits,
            FieldReader fields,
            ChangeReader changes,
            PhotoReader photos,
            AccountReader accounts,
            MethodRegistry methods,
            Messages messages,
            Benchmarks benchmarks,
            Clock clock,
            Press press,
            AccessScope scope) {
        this.scope = scope;
        this.press = press;
        this.faces = faces;
        this.sheets = sheets;
        this.plans = plans;
        this.limits = limits;
        this.fields = fields;
        this.changes = changes;
        this.photos = photos;
        this.accounts = accounts;
        this.methods = methods;
        this.messages = messages;
        this.benchmarks = benchmarks;
        this.clock = clock;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping(value = "/api/fields/{id}/report.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    CompletableFuture<ResponseEntity<byte[]>> report(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        scope.requireField(who, id);
        return press.make(() -> made(who, id));
    }

    /** The field's face as a drawing of its own, with its name, units and day in it. */
    @RequiresRole(value = Role.ADVISOR, also = Role.GROWER)
    @GetMapping(value = "/api/fields/{id}/face.svg", produces = "image/svg+xml")
    ResponseEntity<String> face(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        scope.requireField(who, id);
        Faces.FieldFaceView face = faces.read(who.practiceId(), id);
        ShownUnits units =
                ShownUnits.of(accounts.byEmail(who.getUsername()).units().equals("us"));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("image/svg+xml"))
                .body(FaceDrawing.titled(face, LocalDate.now(clock), units));
    }

    private ResponseEntity<byte[]> made(Advisor who, UUID id) {
        Faces.FieldFaceView face = faces.read(who.practiceId(), id);
        boolean tested = face.visits().stream().anyMatch(visit -> visit.measurements() > 0);
        Sheets.SheetView sheet = tested ? sheets.read(who.practiceId(), id, null) : null;
        ShownUnits units =
                ShownUnits.of(accounts.byEmail(who.getUsername()).units().equals("us"));
        byte[] pdf = GrowerReport.pdf(
                accounts.practiceName(who.practiceId()),
                LocalDate.now(clock),
                face,
                sheet,
                plans.work(who.practiceId(), id),
                limits.named(who.practiceId(), fields.field(who.practiceId(), id), units),
                plans.options(who.practiceId(), id, units),
                changes.told(who.practiceId(), id),
                pictures(who.practiceId(), id),
                units);
        return answer(pdf, face.field().name() + ".pdf");
    }

    private List<GrowerReport.Picture> pictures(UUID practice, UUID field) {
        return photos.ofField(practice, field).stream()
                .limit(PICTURES)
                .map(photo -> {
                    PhotoReader.Content small = photos.small(practice, photo.id());
                    PhotoReader.Content content = small == null ? photos.content(practice, photo.id()) : small;
                    String what = photo.method() == null ? "" : ", " + messages.text(photo.method() + ".title");
                    return new GrowerReport.Picture(photo.stop() + what, content.type(), content.content());
                })
                .toList();
    }

    /** @param tests ids of methods; all where none is named */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping(value = "/api/blank-sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    CompletableFuture<ResponseEntity<byte[]>> blank(@RequestParam(required = false) @Nullable String tests) {
        List<String> wanted = tests == null || tests.isBlank()
                ? methods.all().stream().map(method -> method.card().id()).toList()
                : Arrays.stream(tests.split(",")).map(String::strip).distinct().toList();
        List<MethodEntry> entries = wanted.stream()
                .map(id -> {
                    if (!methods.has(id)) {
                        throw new NotFoundException("test");
                    }
                    return Catalogue.entry(methods.get(id), messages, benchmarks);
                })
                .toList();
        return press.make(() -> answer(BlankSheet.pdf(entries), "field sheet.pdf"));
    }

    /** The card that readings from photos go by, at its own size, and how to use it. */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping(value = "/api/photo-card.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    CompletableFuture<ResponseEntity<byte[]>> photoCard() {
        return press.make(() -> answer(PhotoCard.pdf(), "card for photos.pdf"));
    }

    private static ResponseEntity<byte[]> answer(byte[] pdf, String name) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename(name, java.nio.charset.StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(pdf);
    }
}
