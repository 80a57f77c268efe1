package org.morphotera.core.request;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Purpose;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.Unit;

/**
 * A field with its stops, visits, tests and events, as it is sent. Names and values as in the API of each; days are
 * written as in 2026-10-20.
 *
 * @param on the day it is judged for; the newest day that is named where it is not said
 * @param from and {@code to}: window of its changes; {@code null} for the first and the last reading
 * @param rules data files that take the place of some benchmarks, as a practice keeps them; or {@code null}
 */
record JudgementRequest(
        @Nullable String on,
        @Nullable Units units,
        @Nullable String rules,
        FieldEntry field,
        List<StopEntry> stops,
        List<VisitEntry> visits,
        @Nullable List<EventEntry> events,
        @Nullable List<Map<String, Object>> products,
        @Nullable String from,
        @Nullable String to) {

    enum Units implements Coded {
        METRIC,
        US
    }

    record FieldEntry(
            LandUse landUse,
            @Nullable String crop,
            @Nullable TextureClass textureClass,
            @Nullable Double areaHa,
            @Nullable Double latitude,
            @Nullable Purpose purpose) {}

    record StopEntry(
            String id,
            @Nullable String label,
            StopRole role,
            @Nullable String patch,
            @Nullable String zone,
            @Nullable Double areaPct) {}

    record VisitEntry(
            String id,
            String visitedOn,
            @Nullable SoilMoisture soilMoisture,
            @Nullable Integer daysSinceRain,
            @Nullable Double soilTempC,
            @Nullable String person,
            @Nullable List<TestEntry> measurements) {

        LocalDate on() {
            return LocalDate.parse(visitedOn);
        }

        List<TestEntry> tests() {
            return measurements == null ? List.of() : measurements;
        }
    }

    record TestEntry(
            String stopId,
            String method,
            @Nullable Double depthTopMm,
            @Nullable Double depthBottomMm,
            @Nullable String takenAt,
            Map<String, Object> readings) {}

    record EventEntry(
            @Nullable String id,
            String happenedOn,
            String kind,
            @Nullable String what,
            @Nullable List<String> stopIds,
            @Nullable String amount) {

        LocalDate on() {
            return LocalDate.parse(happenedOn);
        }
    }

    private static final int ID_LENGTH = 100;
    private static final int TEXT_LENGTH = 400;
    private static final int RULES_LENGTH = 200_000;
    private static final int MOMENT_LENGTH = 40;
    private static final Range MOST_STOPS = Range.between(1, 200);
    private static final Range MOST_VISITS = Range.between(0, 200);
    private static final Range MOST_TESTS = Range.between(0, 5000);
    private static final Range MOST_EVENTS = Range.between(0, 500);

    static JudgementRequest read(Fields fields) {
        return new JudgementRequest(
                fields.text("on", MOMENT_LENGTH, Need.OPTIONAL),
                fields.word("units", List.of(Units.values()), Need.OPTIONAL),
                fields.text("rules", RULES_LENGTH, Need.OPTIONAL),
                fields.group("field", Need.REQUIRED, JudgementRequest::field),
                fields.list("stops", MOST_STOPS, Need.REQUIRED, JudgementRequest::stop),
                fields.list("visits", MOST_VISITS, Need.REQUIRED, JudgementRequest::visit),
                fields.list("events", MOST_EVENTS, Need.OPTIONAL, JudgementRequest::event),
                fields.list("products", MOST_EVENTS, Need.OPTIONAL, JudgementRequest::product),
                fields.text("from", MOMENT_LENGTH, Need.OPTIONAL),
                fields.text("to", MOMENT_LENGTH, Need.OPTIONAL));
    }

    private static FieldEntry field(Fields field) {
        return new FieldEntry(
                field.word("landUse", List.of(LandUse.values()), Need.REQUIRED),
                field.text("crop", ID_LENGTH, Need.OPTIONAL),
                field.word("textureClass", List.of(TextureClass.values()), Need.OPTIONAL),
                field.number("areaHa", Unit.HECTARE, Range.between(0, 1_000_000), Need.OPTIONAL),
                field.number("latitude", Unit.DEGREE, Range.between(-90, 90), Need.OPTIONAL),
                field.word("purpose", List.of(Purpose.values()), Need.OPTIONAL));
    }

    private static StopEntry stop(Fields stop) {
        return new StopEntry(
                stop.text("id", ID_LENGTH, Need.REQUIRED),
                stop.text("label", ID_LENGTH, Need.OPTIONAL),
                stop.wordOr("role", List.of(StopRole.values()), StopRole.ROUTINE),
                stop.text("patch", ID_LENGTH, Need.OPTIONAL),
                stop.text("zone", ID_LENGTH, Need.OPTIONAL),
                stop.number("areaPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL));
    }

    private static VisitEntry visit(Fields visit) {
        return new VisitEntry(
                visit.text("id", ID_LENGTH, Need.REQUIRED),
                visit.text("visitedOn", MOMENT_LENGTH, Need.REQUIRED),
                visit.word("soilMoisture", List.of(SoilMoisture.values()), Need.OPTIONAL),
                visit.count("daysSinceRain", Range.COUNT, Need.OPTIONAL),
                visit.number("soilTempC", Unit.CELSIUS, Range.TEMPERATURE_C, Need.OPTIONAL),
                visit.text("person", ID_LENGTH, Need.OPTIONAL),
                visit.list("measurements", MOST_TESTS, Need.OPTIONAL, JudgementRequest::test));
    }

    private static TestEntry test(Fields test) {
        return new TestEntry(
                test.text("stopId", ID_LENGTH, Need.REQUIRED),
                test.text("method", ID_LENGTH, Need.REQUIRED),
                test.number("depthTopMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                test.number("depthBottomMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                test.text("takenAt", MOMENT_LENGTH, Need.OPTIONAL),
                test.tree("readings", Need.REQUIRED));
    }

    private static EventEntry event(Fields event) {
        return new EventEntry(
                event.text("id", ID_LENGTH, Need.OPTIONAL),
                event.text("happenedOn", MOMENT_LENGTH, Need.REQUIRED),
                event.text("kind", ID_LENGTH, Need.REQUIRED),
                event.text("what", TEXT_LENGTH, Need.OPTIONAL),
                event.texts("stopIds", ID_LENGTH, MOST_STOPS, Need.OPTIONAL),
                event.text("amount", TEXT_LENGTH, Need.OPTIONAL));
    }

    private static Map<String, Object> product(Fields product) {
        product.text("name", TEXT_LENGTH, Need.OPTIONAL);
        product.text("calculator", ID_LENGTH, Need.OPTIONAL);
        Map<String, Object> figures = product.tree("figures", Need.OPTIONAL);
        return figures == null ? Map.of() : figures;
    }

    /** Days that are none, ids that are unknown or come twice, methods that do not exist. */
    void check(MethodRegistry methods, Faults faults) {
        day("on", on, faults);
        day("from", from, faults);
        day("to", to, faults);
        Set<String> known = unique("stops", stops.stream().map(StopEntry::id).toList(), faults);
        unique("visits", visits.stream().map(VisitEntry::id).toList(), faults);
        for (int i = 0; i < visits.size(); i++) {
            String at = "visits[" + i + "]";
            day(at + ".visitedOn", visits.get(i).visitedOn(), faults);
            List<TestEntry> tests = visits.get(i).tests();
            for (int j = 0; j < tests.size(); j++) {
                test(at + ".measurements[" + j + "]", tests.get(j), known, methods, faults);
            }
        }
        List<EventEntry> done = done();
        Set<String> events = new HashSet<>();
        for (int i = 0; i < done.size(); i++) {
            day("events[" + i + "].happenedOn", done.get(i).happenedOn(), faults);
            if (done.get(i).id() != null && !events.add(done.get(i).id())) {
                faults.add(
                        "events[" + i + "].id",
                        "ID_TWICE",
                        Map.of("id", done.get(i).id()));
            }
            List<String> where =
                    done.get(i).stopIds() == null ? List.of() : done.get(i).stopIds();
            for (int j = 0; j < where.size(); j++) {
                known("events[" + i + "].stopIds[" + j + "]", where.get(j), known, faults);
            }
        }
        if (faults.isEmpty() && from != null && to != null && to.compareTo(from) < 0) {
            faults.add("to", "TO_BEFORE_FROM");
        }
    }

    private static void test(String at, TestEntry test, Set<String> stops, MethodRegistry methods, Faults faults) {
        known(at + ".stopId", test.stopId(), stops, faults);
        if (!methods.has(test.method())) {
            faults.add(at + ".method", "UNKNOWN_METHOD", Map.of("id", test.method()));
        }
        if (test.depthTopMm() != null && test.depthBottomMm() != null && test.depthBottomMm() < test.depthTopMm()) {
            faults.add(at + ".depthBottomMm", "DEPTH_UPSIDE_DOWN");
        }
        if (test.takenAt() != null && moment(test.takenAt()) == null) {
            faults.add(at + ".takenAt", "NOT_A_MOMENT", Map.of("given", test.takenAt()));
        }
    }

    static @Nullable Instant moment(String text) {
        try {
            return Instant.parse(text);
        } catch (DateTimeException e) {
            return null;
        }
    }

    private static void day(String at, @Nullable String text, Faults faults) {
        if (text != null) {
            try {
                LocalDate.parse(text);
            } catch (DateTimeException e) {
                faults.add(at, "NOT_A_DATE", Map.of("given", text));
            }
        }
    }

    private static Set<String> unique(String list, List<String> ids, Faults faults) {
        Set<String> known = new HashSet<>();
        for (int i = 0; i < ids.size(); i++) {
            if (!known.add(ids.get(i))) {
                faults.add(list + "[" + i + "].id", "ID_TWICE", Map.of("id", ids.get(i)));
            }
        }
        return known;
    }

    private static void known(String at, String id, Set<String> among, Faults faults) {
        if (!among.contains(id)) {
            faults.add(at, "NO_SUCH_ID", Map.of("id", id));
        }
    }

    List<EventEntry> done() {
        return events == null ? List.of() : events;
    }

    /** The day that it is judged for. */
    LocalDate day() {
        if (on != null) {
            return LocalDate.parse(on);
        }
        List<LocalDate> days =
                new ArrayList<>(visits.stream().map(VisitEntry::on).toList());
        done().forEach(each -> days.add(each.on()));
        return days.stream().max(LocalDate::compareTo).orElse(LocalDate.of(1970, 1, 1));
    }
}
