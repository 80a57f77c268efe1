package org.morphotera.server.laboratory;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.laboratory.LabTest;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.reports.Press;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.morphotera.server.web.Versioned;
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
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Laboratories, bags, what was sent, and what came back. */
@RestController
@RequiresRole(Role.ADVISOR)
class LaboratoryController {

    private static final TypeReference<LinkedHashMap<String, Double>> PRICES = new TypeReference<>() {};
    private static final int MOST_LABELS = 200;

    private final LaboratoryMapper rows;
    private final Bags bags;
    private final Results results;
    private final LaboratoryAnswers answers;
    private final Places places;
    private final AccountReader accounts;
    private final Messages messages;
    private final Press press;
    private final JsonMapper json;
    private final Audit audit;
    private final Clock clock;

    LaboratoryController(
            LaboratoryMapper rows,
            Bags bags,
            Results results,
            LaboratoryAnswers answers,
            Places places,
            AccountReader accounts,
            Messages messages,
            Press press,
            JsonMapper json,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.bags = bags;
        this.results = results;
        this.answers = answers;
        this.places = places;
        this.accounts = accounts;
        this.messages = messages;
        this.press = press;
        this.json = json;
        this.audit = audit;
        this.clock = clock;
    }

    @GetMapping("/api/laboratories")
    List<Laboratory> laboratories(@AuthenticationPrincipal Advisor who) {
        return rows.laboratories(who.practiceId()).stream().map(this::view).toList();
    }

    @PutMapping("/api/laboratories/{id}")
    @Transactional
    Laboratory putLaboratory(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestBody @Validated Laboratory.Write body) {
        Map<String, Double> prices = new LinkedHashMap<>();
        body.prices().forEach(each -> prices.put(each.test(), each.price()));
        LaboratoryMapper.LaboratoryRow stored = rows.laboratory(who.practiceId(), id);
        LaboratoryMapper.LaboratoryRow sent = new LaboratoryMapper.LaboratoryRow(
                id,
                body.name().strip(),
                body.contact(),
                body.simulated(),
                json.writeValueAsString(prices),
                stored == null ? null : stored.reading(),
                body.version() + 1);
        audit.note(who, "put", "laboratory", id, sent.name());
        return view(Versioned.write(
                sent,
                stored,
                LaboratoryMapper.LaboratoryRow::version,
                () -> rows.insertLaboratory(who.practiceId(), sent),
                () -> rows.updateLaboratory(who.practiceId(), sent),
                "laboratory"));
    }

    private Laboratory view(LaboratoryMapper.LaboratoryRow row) {
        return new Laboratory(
                row.id(),
                row.name(),
                row.contact(),
                row.simulated(),
                json.readValue(row.prices(), PRICES),
                row.reading() == null ? null : json.readValue(row.reading(), Laboratory.ResultForm.class),
                row.version());
    }

    /**
     * Bags that wait, then the newest of the others.
     *
     * @param code of one bag, as it stands on its label
     */
    @GetMapping("/api/bags")
    List<Bag> bags(
            @AuthenticationPrincipal Advisor who,
            @RequestParam(required = false) @Nullable @Size(max = 20) String code) {
        if (code == null) {
            return bags.views(who.practiceId(), rows.bags(who.practiceId()));
        }
        String plain = BagCode.plain(code);
        if (!BagCode.sound(plain)) {
            throw RefusedException.of(
                    "code", "CODE", "This is no code of a bag: a sign is wrong, or two changed places. Look again.");
        }
        LaboratoryMapper.BagRow row = rows.byCode(who.practiceId(), plain);
        return row == null ? List.of() : List.of(bags.view(who.practiceId(), row));
    }

    @PutMapping("/api/bags/{id}")
    @Transactional
    Bag putBag(@AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Bag.Write body) {
        UUID practice = who.practiceId();
        Places.Place first = null;
        for (UUID stop : body.stopIds()) {
            Places.Place place = places.require(who, body.visitId(), stop);
            first = first == null ? place : first;
        }
        for (int i = 0; i < body.tests().size(); i++) {
            if (Coded.find(LabTest.values(), body.tests().get(i)) == null) {
                throw RefusedException.of(
                        "tests[" + i + "]", "NO_SUCH_TEST", "No laboratory is asked for that. Take it out.");
            }
        }
        if (body.depthBottomMm() <= body.depthTopMm()) {
            throw RefusedException.of("depthBottomMm", "DEPTH", "The layer must end below where it begins.");
        }
        LaboratoryMapper.BagRow stored = rows.bag(practice, id);
        if (stored != null && stored.measurementId() != null) {
            throw RefusedException.of("id", "ANSWERED", "Its results are here; a bag stays as it was then.");
        }
        LaboratoryMapper.BagRow sent = new LaboratoryMapper.BagRow(
                id,
                stored == null ? freeCode(practice, id) : stored.code(),
                first.field().id(),
                first.field().name(),
                body.visitId(),
                first.stop().id(),
                body.stopIds().stream().distinct().map(UUID::toString).collect(Collectors.joining(",")),
                body.depthTopMm(),
                body.depthBottomMm(),
                body.takenAt().truncatedTo(ChronoUnit.MILLIS),
                body.sampler().strip(),
                body.tests().stream().distinct().collect(Collectors.joining(",")),
                body.cores(),
                body.note(),
                stored == null ? null : stored.dispatchId(),
                null,
                body.version() + 1);
        audit.note(who, "put", "bag", id, sent.code());
        return bags.view(
                practice,
                Versioned.write(
                        sent,
                        stored,
                        LaboratoryMapper.BagRow::version,
                        () -> rows.insertBag(practice, sent),
                        () -> rows.updateBag(practice, sent),
                        "bag"));
    }

    private String freeCode(UUID practice, UUID id) {
        int attempt = 0;
        while (rows.byCode(practice, BagCode.of(id, attempt)) != null) {
            attempt++;
        }
        return BagCode.of(id, attempt);
    }

    @DeleteMapping("/api/bags/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void deleteBag(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        LaboratoryMapper.BagRow row = audit.toRemove(who, rows.bag(who.practiceId(), id), "bag", id);
        if (row != null) {
            if (row.dispatchId() != null) {
                throw RefusedException.of("id", "SENT", "It was sent. Take it out of what was sent first.");
            }
            rows.deleteBag(who.practiceId(), id);
            audit.note(who, "delete", "bag", id, row.code());
        }
    }

    /**
     * Labels to print.
     *
     * @param ids of bags, joined by commas
     * @param zone of the clock by which days are written
     */
    @GetMapping(value = "/api/labels.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    CompletableFuture<ResponseEntity<byte[]>> labels(
            @AuthenticationPrincipal Advisor who,
            @RequestParam("bags") @Size(max = 20_000) String ids,
            @RequestParam(required = false) @Nullable @Size(max = 60) String zone) {
        UUID practice = who.practiceId();
        List<LaboratoryMapper.BagRow> wanted = new ArrayList<>();
        for (String id :
                Arrays.stream(ids.split(",")).distinct().limit(MOST_LABELS).toList()) {
            try {
                wanted.add(NotFoundException.require(rows.bag(practice, UUID.fromString(id.strip())), "bag"));
            } catch (IllegalArgumentException e) {
                throw RefusedException.of("bags", "TYPE", "Name bags by their ids, with commas between.");
            }
        }
        ZoneId by = zone == null || !ZoneId.getAvailableZoneIds().contains(zone) ? ZoneId.of("UTC") : ZoneId.of(zone);
        ShownUnits units =
                ShownUnits.of(accounts.byEmail(who.getUsername()).units().equals("us"));
        String name = accounts.practiceName(practice);
        List<Bag> views = bags.views(practice, wanted);
        return press.make(() -> ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("labels.pdf")
                                .build()
                                .toString())
                .body(Labels.pdf(name, views, units, messages, by)));
    }

    @GetMapping("/api/dispatches")
    List<Dispatch> dispatches(@AuthenticationPrincipal Advisor who) {
        return rows.dispatches(who.practiceId()).stream()
                .map(row -> view(who.practiceId(), row))
                .toList();
    }

    @PutMapping("/api/dispatches/{id}")
    @Transactional
    Dispatch putDispatch(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated Dispatch.Write body) {
        UUID practice = who.practiceId();
        NotFoundException.require(rows.laboratory(practice, body.laboratoryId()), "laboratory");
        for (int i = 0; i < body.bagIds().size(); i++) {
            LaboratoryMapper.BagRow bag =
                    NotFoundException.require(rows.bag(practice, body.bagIds().get(i)), "bag");
            if (bag.dispatchId() != null && !bag.dispatchId().equals(id)) {
                throw RefusedException.of(
                        "bagIds[" + i + "]", "SENT", "Bag " + bag.code() + " was sent already. Take it out.");
            }
        }
        LaboratoryMapper.DispatchRow sent = new LaboratoryMapper.DispatchRow(
                id, body.laboratoryId(), body.sentAt().truncatedTo(ChronoUnit.MILLIS), body.note(), body.version() + 1);
        LaboratoryMapper.DispatchRow stored = rows.dispatch(practice, id);
        audit.note(who, "put", "dispatch", id, body.bagIds().size() + " bags");
        LaboratoryMapper.DispatchRow kept;
        try {
            kept = Versioned.write(
                    sent,
                    stored,
                    LaboratoryMapper.DispatchRow::version,
                    () -> rows.insertDispatch(practice, sent),
                    () -> rows.updateDispatch(practice, sent),
                    "dispatch");
        } catch (StaleException e) {
            throw new StaleException(body, view(practice, stored));
        }
        rows.unsend(practice, id);
        body.bagIds().forEach(bag -> rows.send(practice, bag, id));
        return view(practice, kept);
    }

    /** Takes back what was noted as sent; the bags are here again. */
    @DeleteMapping("/api/dispatches/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void deleteDispatch(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        UUID practice = who.practiceId();
        if (audit.toRemove(who, rows.dispatch(practice, id), "dispatch", id) != null) {
            if (rows.ofDispatch(practice, id).stream().anyMatch(bag -> bag.measurementId() != null)) {
                throw RefusedException.of("id", "ANSWERED", "Results of it are here: it stays in the log.");
            }
            rows.unsend(practice, id);
            rows.deleteDispatch(practice, id);
            audit.note(who, "delete", "dispatch", id, null);
        }
    }

    private Dispatch view(UUID practice, LaboratoryMapper.DispatchRow row) {
        LaboratoryMapper.LaboratoryRow laboratory = rows.laboratory(practice, row.laboratoryId());
        List<LaboratoryMapper.BagRow> sent = rows.ofDispatch(practice, row.id());
        Map<String, Double> prices = json.readValue(laboratory.prices(), PRICES);
        List<Double> each = sent.stream()
                .flatMap(bag -> Bags.tests(bag).stream())
                .map(prices::get)
                .toList();
        Double total = each.contains(null) || each.isEmpty()
                ? null
                : each.stream().mapToDouble(Double::doubleValue).sum();
        Instant ready = laboratory.simulated() ? answers.readyAt(row.sentAt()) : null;
        boolean there = ready != null && !ready.isAfter(clock.instant());
        return new Dispatch(
                row.id(),
                row.laboratoryId(),
                laboratory.name(),
                row.sentAt(),
                row.note(),
                sent.stream().map(LaboratoryMapper.BagRow::id).toList(),
                total,
                there,
                there ? null : ready,
                row.version());
    }

    /**
     * What a simulated laboratory found, as its file.
     *
     * @param faulty with two lines as they come now and then, to try what happens
     */
    @GetMapping(value = "/api/dispatches/{id}/answer.csv", produces = "text/csv;charset=utf-8")
    ResponseEntity<String> answer(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(defaultValue = "false") boolean faulty) {
        UUID practice = who.practiceId();
        LaboratoryMapper.DispatchRow row = NotFoundException.require(rows.dispatch(practice, id), "dispatch");
        Dispatch dispatch = view(practice, row);
        List<LaboratoryMapper.BagRow> sent = rows.ofDispatch(practice, id);
        if (!dispatch.answer() || sent.isEmpty()) {
            throw new NotFoundException("answer");
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=utf-8"))
                .body(answers.file(practice, sent, faulty));
    }

    /**
     * A laboratory's file.
     *
     * @param text of the file
     * @param form by which it is read; the remembered one, or a guess, where it is absent
     * @param store keeps the results; otherwise only says what they would change
     */
    @Schema(name = "ResultsWrite")
    record ResultsWrite(
            @NotNull(message = "needs the text of a file") @Size(max = 900_000)
            String text,

            @Valid Laboratory.@Nullable ResultForm form,
            boolean store) {}

    @PostMapping("/api/laboratories/{id}/results")
    Results.ResultsView results(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated ResultsWrite body) {
        LaboratoryMapper.LaboratoryRow laboratory =
                NotFoundException.require(rows.laboratory(who.practiceId(), id), "laboratory");
        return results.take(who, laboratory, body.text(), body.form(), body.store());
    }
}
