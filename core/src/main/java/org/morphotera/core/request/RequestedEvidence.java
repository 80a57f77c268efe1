package org.morphotera.core.request;

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
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.judgement.TestResult;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.MadeOld;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.limits.StopSighting;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.plan.ActedOn;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.FieldReadings;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.request.RequestedTests.Tested;
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
    private final List<Tested> tests;
    private final List<Tested> speaking;
    private final Benchmarks benchmarks;
    private final EvidenceTables tables;
    private final MadeOld old;

    RequestedEvidence(JudgementRequest request, List<Tested> tests, Benchmarks benchmarks, EvidenceTables tables) {
        this.request = request;
        this.benchmarks = benchmarks;
        this.tables = tables;
        this.old = new MadeOld(
                request.done().stream()
                        .map(each -> new MadeOld.Done(
                                each.on(), each.kind(), each.stopIds() == null ? null : Set.copyOf(each.stopIds())))
                        .toList(),
                tables);
        Map<String, StopRole> roles =
                request.stops().stream().collect(Collectors.toMap(each -> each.id(), each -> each.role()));
        StopRole leading = StopRole.leading(roles.values());
        this.tests = tests.stream()
                .sorted(Comparator.comparing(Tested::takenAt).thenComparing(Tested::id))
                .toList();
        this.speaking = this.tests.stream()
                .filter(each -> leading == null || roles.get(each.entry().stopId()) == leading)
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
        return old.is(property, test.entry().stopId(), test.visit().on());
    }

    /** What was found, stop by stop. */
    StopFindings findings(JudgedField field) {
        List<StopSighting> seen = new ArrayList<>();
        tests.forEach(test -> test.result()
                .sightings()
                .forEach(each -> seen.add(
                        new StopSighting(test.entry().stopId(), test.visit().id(), seen.size(), each))));
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
            seen.add(StopSighting.ofField(Sighting.of(GAP, gap)));
        }
        return StopFindings.of(seen, field, tables, benchmarks);
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

    FieldFacts facts(StopFindings findings) {
        Found subsoil = findings.field().get("subsoil-ph");
        List<Seen> seen = seen();
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
                        new ActedOn(findings, tables).everDone(ActionKind.DRAIN),
                        request.visits().stream()
                                .max(Comparator.comparing(JudgementRequest.VisitEntry::visitedOn))
                                .map(JudgementRequest.VisitEntry::soilMoisture)
                                .orElse(null)),
                readings(true),
                subsoil == null ? null : subsoil.figure(),
                cec,
                new FieldFacts.Permeability(mean(seen, "straight-down"), mean(seen, "infiltration-at-200")),
                mean(seen, "layer-bottom"));
    }

    private static @Nullable Double mean(List<Seen> seen, String finding) {
        OptionalDouble mean = seen.stream()
                .filter(each -> each.sighting().finding().equals(finding))
                .map(each -> each.sighting().figure())
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .average();
        return mean.isPresent() ? Double.valueOf(mean.getAsDouble()) : null;
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
