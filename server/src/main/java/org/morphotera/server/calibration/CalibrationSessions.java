package org.morphotera.server.calibration;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.Calculators;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.stereotype.Component;

/** What sessions keep to: scores stay hidden until all are in, and stand from then on. */
@Component
class CalibrationSessions {

    /** Without letters and digits that are taken for each other when they are read out. */
    private static final String LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

    private static final int CODE_LENGTH = 6;
    private static final String AGREEMENT = "agreement";
    /** So many of the newest sessions tell how people score; older ones are older than the eyes that scored. */
    private static final int TOLD = 12;

    private final CalibrationMapper rows;
    private final Scales scales;
    private final Audit audit;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final Clock clock;
    private final CalculatorRegistry calculators = Calculators.ofPage(Methods.all());
    private final SecureRandom random = new SecureRandom();

    CalibrationSessions(
            CalibrationMapper rows, Scales scales, Audit audit, Benchmarks benchmarks, Messages messages, Clock clock) {
        this.rows = rows;
        this.scales = scales;
        this.audit = audit;
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.clock = clock;
    }

    List<Calibration> newest(Advisor who) {
        return rows.newest(who.practiceId()).stream()
                .map(CalibrationSessions::session)
                .toList();
    }

    List<Calibration.Scaled> tests() {
        return scales.all();
    }

    private static Calibration session(CalibrationMapper.Row row) {
        return new Calibration(
                row.id(),
                row.code(),
                row.title(),
                List.of(row.tests().split(",")),
                row.places(),
                row.people(),
                row.madeAt(),
                row.closedAt(),
                row.version());
    }

    Calibration put(Advisor who, UUID id, Calibration.Write body) {
        List<String> tests = List.copyOf(new LinkedHashSet<>(body.tests()));
        for (int i = 0; i < body.tests().size(); i++) {
            if (!scales.has(body.tests().get(i))) {
                throw RefusedException.of(
                        "tests[" + i + "]",
                        "NOT_SCORED",
                        "This test is not scored by eye. Choose one of those listed.");
            }
        }
        CalibrationMapper.Row stored = rows.one(who.practiceId(), id);
        if (stored != null && (!stored.tests().equals(String.join(",", tests)) || stored.places() != body.places())) {
            throw RefusedException.of(
                    "tests", "FIXED", "Tests and places of a session stand once it is made. Make another session.");
        }
        CalibrationMapper.Row sent = new CalibrationMapper.Row(
                id,
                stored == null ? freshCode() : stored.code(),
                body.title().strip(),
                String.join(",", tests),
                body.places(),
                body.people(),
                stored == null ? who.id() : stored.personId(),
                stored == null ? now() : stored.madeAt(),
                stored == null ? null : stored.closedAt(),
                body.version() + 1);
        audit.note(who, "put", "calibration", id, sent.title());
        return session(Versioned.write(
                sent,
                stored,
                CalibrationMapper.Row::version,
                () -> rows.insert(who.practiceId(), sent),
                () -> rows.update(who.practiceId(), sent),
                "calibration"));
    }

    private String freshCode() {
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < CODE_LENGTH; i++) {
            code.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        return code.toString();
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MILLIS);
    }

    Calibration.View join(Advisor who, Calibration.Join body) {
        String code = body.code().replace(" ", "").toUpperCase(Locale.ROOT);
        CalibrationMapper.Row found = rows.byCode(who.practiceId(), code);
        if (found == null) {
            throw RefusedException.of(
                    "code", "NO_SUCH_CODE", "There is no session of this code. Have it read out again.");
        }
        CalibrationMapper.Row row = rows.locked(who.practiceId(), found.id());
        String name = body.name().strip();
        List<CalibrationMapper.MemberRow> members = rows.members(who.practiceId(), row.id());
        if (members.stream().noneMatch(each -> each.id().equals(body.member()))) {
            requireOpen(row);
            if (members.size() >= row.people()) {
                throw RefusedException.of(
                        "code", "FULL", "All who were expected have joined. Have the number of people raised.");
            }
            if (members.stream().anyMatch(each -> each.name().equalsIgnoreCase(name))) {
                throw RefusedException.of("name", "TAKEN", "Somebody scores under this name already. Take another.");
            }
            rows.join(who.practiceId(), row.id(), body.member(), who.id(), name, now());
            audit.note(who, "join", "calibration", row.id(), name);
        }
        return view(who, row.id(), body.member());
    }

    private static void requireOpen(CalibrationMapper.Row row) {
        if (row.closedAt() != null) {
            throw RefusedException.of("", "CLOSED", "The scores of this session were shown: they stand as they are.");
        }
    }

    /** @throws RefusedException where scores were shown already */
    CalibrationMapper.Row mayScore(Advisor who, UUID id, UUID member) {
        CalibrationMapper.Row row = NotFoundException.require(rows.locked(who.practiceId(), id), "calibration");
        NotFoundException.require(
                rows.members(who.practiceId(), id).stream()
                        .filter(each ->
                                each.id().equals(member) && each.personId().equals(who.id()))
                        .findFirst()
                        .orElse(null),
                "member");
        requireOpen(row);
        return row;
    }

    Calibration.View score(Advisor who, UUID id, UUID member, List<Calibration.Score> scores) {
        CalibrationMapper.Row row = mayScore(who, id, member);
        check(row, scores);
        rows.forget(who.practiceId(), member);
        for (Calibration.Score each : scores) {
            rows.score(who.practiceId(), UUID.randomUUID(), member, each);
        }
        if (allIn(who, row)) {
            rows.close(who.practiceId(), id, now());
        }
        return view(who, id, member);
    }

    private void check(CalibrationMapper.Row row, List<Calibration.Score> scores) {
        Set<String> given = new LinkedHashSet<>();
        List<String> tests = List.of(row.tests().split(","));
        for (int i = 0; i < scores.size(); i++) {
            Calibration.Score each = scores.get(i);
            String at = "scores[" + i + "]";
            if (!tests.contains(each.test())) {
                throw RefusedException.of(at + ".test", "NOT_SCORED", "This test is not scored in this session.");
            }
            if (each.place() > row.places()) {
                throw RefusedException.of(
                        at + ".place", "NO_SUCH_PLACE", "This session has " + row.places() + " places.");
            }
            if (!scales.of(each.test()).scale().contains(each.score())) {
                throw RefusedException.of(
                        at + ".score", "OFF_THE_SCALE", "This is no step of the scale. Scores go in halves.");
            }
            if (!given.add(each.place() + " " + each.test())) {
                throw RefusedException.of(
                        at, "SCORED_TWICE", "This place has this score already. Keep one of the two.");
            }
        }
    }

    private static int wanted(CalibrationMapper.Row row) {
        return row.places() * row.tests().split(",").length;
    }

    private boolean allIn(Advisor who, CalibrationMapper.Row row) {
        List<CalibrationMapper.MemberRow> members = rows.members(who.practiceId(), row.id());
        return members.size() >= row.people() && members.stream().allMatch(each -> each.given() == wanted(row));
    }

    Calibration.View close(Advisor who, UUID id) {
        NotFoundException.require(rows.locked(who.practiceId(), id), "calibration");
        if (rows.close(who.practiceId(), id, now()) > 0) {
            audit.note(who, "close", "calibration", id, null);
        }
        return view(who, id, null);
    }

    Calibration.View keepPhoto(Advisor who, UUID id, UUID photo, UUID member, int place, String picture) {
        if (rows.photo(who.practiceId(), id, photo) == null) {
            rows.keepPhoto(who.practiceId(), id, photo, member, place, picture);
        }
        return view(who, id, member);
    }

    @Nullable
    String photo(Advisor who, UUID id, UUID photo) {
        return rows.photo(who.practiceId(), id, photo);
    }

    Calibration.View view(Advisor who, UUID id, @Nullable UUID member) {
        CalibrationMapper.Row row = NotFoundException.require(rows.one(who.practiceId(), id), "calibration");
        List<CalibrationMapper.MemberRow> members = rows.members(who.practiceId(), id);
        List<CalibrationMapper.ScoreRow> scores = rows.scores(who.practiceId(), id);
        List<String> tests = List.of(row.tests().split(","));
        boolean shown = row.closedAt() != null;
        String own = members.stream()
                .filter(each -> each.id().equals(member))
                .map(CalibrationMapper.MemberRow::name)
                .findFirst()
                .orElse(null);
        return new Calibration.View(
                session(row),
                tests.stream().map(scales::of).toList(),
                members.stream()
                        .map(each -> new Calibration.Member(each.name(), each.given(), each.given() == wanted(row)))
                        .toList(),
                scores.stream()
                        .filter(each -> each.memberId().equals(member))
                        .map(each -> new Calibration.Score(each.place(), each.test(), each.score()))
                        .toList(),
                // what others saw would tell how they scored
                rows.photos(who.practiceId(), id).stream()
                        .filter(each -> shown || each.name().equals(own))
                        .toList(),
                shown ? tests.stream().map(test -> agreed(test, scores)).toList() : null);
    }

    private Calibration.Agreed agreed(String test, List<CalibrationMapper.ScoreRow> scores) {
        List<CalibrationMapper.ScoreRow> own =
                scores.stream().filter(each -> each.test().equals(test)).toList();
        return new Calibration.Agreed(
                test,
                agreement(test, own),
                own.stream()
                        .map(each -> new Calibration.Given(each.name(), each.place(), each.score()))
                        .toList());
    }

    private @Nullable Envelope agreement(String test, List<CalibrationMapper.ScoreRow> scores) {
        List<Map<String, Object>> given = new ArrayList<>();
        for (CalibrationMapper.ScoreRow each : scores) {
            given.add(Map.of("person", each.name(), "item", String.valueOf(each.place()), "score", each.score()));
        }
        Map<String, Object> inputs = Map.of("scale", scales.of(test).scale(), "scores", given);
        Outcome outcome = calculators.evaluate(AGREEMENT, Map.of("inputs", inputs), benchmarks);
        return outcome instanceof Outcome.Evaluated done ? Envelope.of(done.evaluation(), messages) : null;
    }

    List<Calibration.Bias> biases(Advisor who, String test) {
        Map<String, Calibration.Bias> newest = new LinkedHashMap<>();
        List<CalibrationMapper.Row> told = rows.newest(who.practiceId()).stream()
                .filter(row -> row.closedAt() != null
                        && List.of(row.tests().split(",")).contains(test))
                .limit(TOLD)
                .toList();
        for (CalibrationMapper.Row row : told) {
            Envelope envelope = agreement(
                    test,
                    rows.scores(who.practiceId(), row.id()).stream()
                            .filter(each -> each.test().equals(test))
                            .toList());
            if (envelope != null) {
                envelope.series().get("people").forEach(person -> bias(person, row.closedAt(), newest));
            }
        }
        return List.copyOf(newest.values());
    }

    private static void bias(Map<String, Object> person, Instant on, Map<String, Calibration.Bias> newest) {
        if (person.get("bias") instanceof Double bias && person.get("n") instanceof Double places) {
            newest.putIfAbsent(
                    (String) person.get("person"),
                    new Calibration.Bias(
                            (String) person.get("person"),
                            bias,
                            (Double) person.get("low"),
                            (Double) person.get("high"),
                            places.intValue(),
                            on));
        }
    }
}
