package org.morphotera.core.judgement.request;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.judgement.TestResult;
import org.morphotera.core.judgement.request.RequestedTests.Tested;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.Sightings;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.FieldReadings;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.SoilPlantGap;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.score.StopScore;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.SourceOrder;

/** The newest of each test at each stop that speaks for the field, as limits and plan are drawn from it. */
final class RequestedEvidence {

    private static final String GAP = "soil-plant-gap";

    private record Property(String indicator, boolean subsoil) {}

    private record Row(Tested test, TestResult.Shown shown) {

        private FieldReadings.Reading reading() {
            TestResult result = test.result();
            return new FieldReadings.Reading(
                    shown.indicator(),
                    test.entry().method(),
                    result.kind(),
                    shown.rating().reason(),
                    shown.rating().standing(),
                    shown.figure() == null ? null : shown.figure().value(),
                    shown.figure() == null ? null : shown.figure().low(),
                    shown.figure() == null ? null : shown.figure().high(),
                    result.source(),
                    result.layer());
        }
    }

    private record Seen(Tested test, Sighting sighting) {}

    private final JudgementRequest request;
    private final List<Tested> speaking;
    private final Benchmarks benchmarks;
    private final EvidenceTables tables;

    RequestedEvidence(JudgementRequest request, List<Tested> tests, Benchmarks benchmarks, EvidenceTables tables) {
        this.request = request;
        this.benchmarks = benchmarks;
        this.tables = tables;
        Map<String, StopRole> roles =
                request.stops().stream().collect(Collectors.toMap(each -> each.id(), each -> each.role()));
        StopRole leading = StopRole.leading(roles.values());
        this.speaking = tests.stream()
                .filter(each -> leading == null || roles.get(each.entry().stopId()) == leading)
                .sorted(Comparator.comparing(Tested::takenAt).thenComparing(Tested::id))
                .toList();
    }

    /** The newest row of each key; a later one takes an earlier one's place. */
    private static <T> List<T> newest(List<T> all, Function<T, List<Object>> key) {
        Map<List<Object>, T> byKey = new LinkedHashMap<>();
        all.forEach(each -> byKey.put(key.apply(each), each));
        return List.copyOf(byKey.values());
    }

    private List<Row> rows() {
        List<Row> all = new ArrayList<>();
        speaking.forEach(test -> test.result().indicators().forEach(shown -> all.add(new Row(test, shown))));
        List<Row> latest = newest(
                all,
                row -> List.of(
                        row.test().entry().stopId(),
                        row.shown().indicator(),
                        row.test().result().band(),
                        row.test().result().source()));
        return SourceOrder.best(
                latest,
                row -> new Property(
                        row.shown().indicator(),
                        DepthLayer.isSubsoil(row.test().result().layer())),
                row -> row.test().result().source());
    }

    private List<Seen> seen() {
        List<Seen> all = new ArrayList<>();
        speaking.forEach(test -> test.result().sightings().forEach(each -> all.add(new Seen(test, each))));
        return newest(
                all,
                each -> List.of(
                        each.test().entry().stopId(),
                        each.sighting().finding(),
                        each.sighting().source()));
    }

    private boolean old(String property, Tested test) {
        return request.done().stream()
                .filter(event -> tables.changedBy(event.kind()).contains(property))
                .filter(event -> event.stopIds() == null
                        || event.stopIds().contains(test.entry().stopId()))
                .anyMatch(event -> test.visit().on().isBefore(event.on()));
    }

    /** What was found, without what something done since has made old. */
    Map<String, Found> findings() {
        List<Sighting> counting = seen().stream()
                .filter(each -> {
                    EvidenceTables.Kind kind = tables.kind(each.sighting().finding());
                    return kind == null || !old(kind.property(), each.test());
                })
                .map(Seen::sighting)
                .toList();
        Map<String, Found> findings = new LinkedHashMap<>(Sightings.findings(counting, window(), tables));
        Double gap = SoilPlantGap.of(
                FieldFace.of(rows().stream()
                        .map(row -> new StopScore(
                                row.test().entry().stopId(),
                                row.shown().indicator(),
                                row.test().result().layer(),
                                row.shown().rating().standing(),
                                row.shown().points()))
                        .toList()),
                benchmarks);
        if (gap != null) {
            findings.put(GAP, Found.whole(tables.kind(GAP).stateOf(gap)));
        }
        return findings;
    }

    private PhWindow window() {
        return PhWindow.of(request.field().crop(), request.field().landUse(), benchmarks.table("ph.windows"));
    }

    List<Limits.Belief> beliefs(Map<String, Found> findings) {
        return Limits.of(findings, request.field().landUse(), tables);
    }

    /** The texture class of the field: what most stops show, else as written. */
    @Nullable
    String texture() {
        return readings(false)
                .texture(
                        request.field().textureClass() == null
                                ? null
                                : request.field().textureClass().code());
    }

    private FieldReadings readings(boolean withoutOld) {
        List<FieldReadings.Reading> readings = new ArrayList<>(rows().stream()
                .filter(row -> !withoutOld || !old(row.shown().indicator(), row.test()))
                .map(Row::reading)
                .toList());
        List<Tested> textures = newest(
                speaking.stream()
                        .filter(each -> each.result().contextClass() != null)
                        .toList(),
                each -> List.of(each.entry().stopId()));
        textures.forEach(each -> readings.add(new FieldReadings.Reading(
                each.result().contextName(),
                each.entry().method(),
                each.result().kind(),
                each.result().contextClass(),
                null,
                null,
                null,
                null,
                Source.METER,
                each.result().layer())));
        return new FieldReadings(readings);
    }

    FieldFacts facts(Map<String, Found> findings) {
        Found subsoil = findings.get("subsoil-ph");
        List<Seen> seen = seen();
        OptionalDouble down = seen.stream()
                .filter(each -> each.sighting().finding().equals("straight-down"))
                .map(each -> each.sighting().figure())
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .average();
        Double cec = seen.stream()
                .filter(each -> each.sighting().finding().equals("cec"))
                .reduce((one, other) -> other)
                .map(each -> each.sighting().figure())
                .orElse(null);
        Set<StopRole> roles =
                request.stops().stream().map(JudgementRequest.StopEntry::role).collect(Collectors.toSet());
        return FieldFacts.of(
                new FieldFacts.Place(
                        request.field().landUse(),
                        request.field().textureClass() == null
                                ? null
                                : request.field().textureClass().code(),
                        request.field().crop(),
                        request.field().areaHa(),
                        StopRole.leading(roles) == StopRole.POOR ? poorPatch() : null,
                        request.done().stream().anyMatch(event -> event.kind().equals("drain")),
                        request.visits().stream()
                                .max(Comparator.comparing(JudgementRequest.VisitEntry::visitedOn))
                                .map(JudgementRequest.VisitEntry::soilMoisture)
                                .orElse(null)),
                readings(true),
                subsoil == null ? null : subsoil.figure(),
                cec,
                down.isPresent() ? Double.valueOf(down.getAsDouble()) : null);
    }

    private FieldFacts.Treated poorPatch() {
        Double share = request.stops().stream()
                .filter(each -> each.role() == StopRole.POOR)
                .map(JudgementRequest.StopEntry::areaPct)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
        double area = request.field().areaHa() == null || request.field().areaHa() <= 0
                ? 1
                : request.field().areaHa();
        return FieldFacts.Treated.patch(area, share);
    }
}
