package org.morphotera.core.request;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.context.Additions;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.core.judgement.TestResult;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.request.JudgementRequest.TestEntry;
import org.morphotera.core.request.JudgementRequest.VisitEntry;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.text.Messages;

/** The tests of a request, evaluated in the context of their visit as a record of them would be. */
final class RequestedTests {

    /** A test with what it shows. */
    record Tested(String id, VisitEntry visit, TestEntry entry, Instant takenAt, TestResult result) {}

    private final JudgementRequest request;
    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final Faults faults;

    private RequestedTests(
            JudgementRequest request, MethodRegistry methods, Benchmarks benchmarks, Messages messages, Faults faults) {
        this.request = request;
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.messages = messages;
        this.faults = faults;
    }

    /** @param faults gathers readings that are refused, by their place in the request */
    static List<Tested> of(
            JudgementRequest request, MethodRegistry methods, Benchmarks benchmarks, Messages messages, Faults faults) {
        return new RequestedTests(request, methods, benchmarks, messages, faults).evaluated();
    }

    private List<Tested> evaluated() {
        Additions additions = new Additions(benchmarks);
        List<PlaceAndDay.ContextReading> found = new ArrayList<>();
        List<Tested> tested = new ArrayList<>();
        List<VisitEntry> byDay = request.visits().stream()
                .sorted(Comparator.comparing(VisitEntry::visitedOn))
                .toList();
        for (VisitEntry visit : byDay) {
            // what is context for others comes first, however the visit was walked
            for (boolean context : new boolean[] {true, false}) {
                for (int i = 0; i < visit.tests().size(); i++) {
                    TestEntry test = visit.tests().get(i);
                    FieldMethod<?> method = methods.get(test.method());
                    if (PlaceAndDay.ContextReading.mayComeOf(method) == context) {
                        String id = visit.id() + "/" + i;
                        Tested one = tested(id, at(visit, i), visit, test, method, found, additions);
                        if (one != null) {
                            tested.add(one);
                        }
                    }
                }
            }
            // a cover is of its own visit
            found.removeIf(each -> each.coverPct() != null);
        }
        return tested;
    }

    private String at(VisitEntry visit, int test) {
        return "visits[" + request.visits().indexOf(visit) + "].measurements[" + test + "]";
    }

    private @Nullable Tested tested(
            String id,
            String at,
            VisitEntry visit,
            TestEntry test,
            FieldMethod<?> method,
            List<PlaceAndDay.ContextReading> found,
            Additions additions) {
        Instant takenAt = takenAt(visit, test);
        PlaceAndDay place = new PlaceAndDay(
                new PlaceAndDay.KnownField(
                        code(request.field().landUse()),
                        request.field().crop(),
                        code(request.field().purpose()),
                        code(request.field().textureClass())),
                new PlaceAndDay.KnownVisit(
                        visit.on(), code(visit.soilMoisture()), visit.daysSinceRain(), visit.soilTempC(), null),
                request.field().latitude() != null && request.field().latitude() < 0,
                request.done().stream()
                        .map(each -> new PlaceAndDay.PastEvent(each.kind(), each.on()))
                        .toList(),
                found);
        DepthLayer layer = layer(test);
        Map<String, Object> context = new LinkedHashMap<>(place.contextOf(test.stopId(), additions));
        if (layer != null) {
            context.put("depthTopMm", layer.topMm());
            context.put("depthBottomMm", layer.bottomMm());
        }
        Outcome outcome =
                methods.evaluate(test.method(), Map.of("readings", test.readings(), "context", context), benchmarks);
        if (outcome instanceof Outcome.Refused refused) {
            for (Fault fault : refused.faults()) {
                String field = fault.field().isEmpty() ? "" : "." + fault.field();
                faults.add(at + ".readings" + field, fault.code(), fault.args());
            }
            return null;
        }
        Envelope envelope = Envelope.of(((Outcome.Evaluated) outcome).evaluation(), messages);
        PlaceAndDay.ContextReading shown = PlaceAndDay.ContextReading.of(method, id, test.stopId(), takenAt, envelope);
        if (shown != null) {
            found.add(shown);
        }
        return new Tested(id, visit, test, takenAt, TestResult.of(method, test.readings(), envelope, layer));
    }

    private static @Nullable String code(@Nullable Coded word) {
        return word == null ? null : word.code();
    }

    private static @Nullable DepthLayer layer(TestEntry test) {
        return test.depthTopMm() == null || test.depthBottomMm() == null
                ? null
                : new DepthLayer(test.depthTopMm(), test.depthBottomMm());
    }

    private static Instant takenAt(VisitEntry visit, TestEntry test) {
        return test.takenAt() == null
                ? visit.on().atTime(LocalTime.NOON).toInstant(ZoneOffset.UTC)
                : JudgementRequest.moment(test.takenAt());
    }
}
