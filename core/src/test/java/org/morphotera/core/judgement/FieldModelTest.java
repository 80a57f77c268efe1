package org.morphotera.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.apache.commons.numbers.gamma.LogGamma;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.judgement.FieldModel.Change;
import org.morphotera.core.judgement.FieldModel.Estimate;
import org.morphotera.core.judgement.ModelReadings.Event;
import org.morphotera.core.judgement.ModelReadings.Reading;
import org.morphotera.core.judgement.ModelReadings.Stop;
import org.morphotera.core.judgement.ModelReadings.Visit;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Evaluation;

/** The field model against exact figures, against the same algebra written out in full, and by what must hold of it. */
class FieldModelTest {

    private static final Scatter PH = new Scatter(6.5, 1, 0.15, 0.4, 0.5, 0.4, 0.15, 0.1, 0, 12, 0.6);

    static List<WorkedCase> cases() {
        return WorkedCase.of("field-model");
    }

    @ParameterizedTest
    @MethodSource("cases")
    @SuppressWarnings("unchecked")
    void isExact(WorkedCase each) {
        Evaluation done = ((Outcome.Evaluated)
                        Calculators.ofPage(Methods.all()).evaluate("field-model", each.body(), CoreData.BENCHMARKS))
                .evaluation();
        ((Map<String, Number>) each.expect().get("values"))
                .forEach((name, wanted) -> assertThat(done.values().get(name).value())
                        .as(name)
                        .isCloseTo(wanted.doubleValue(), within(2e-6)));
        ((Map<String, List<Map<String, Object>>>) each.expect().get("series")).forEach((name, rows) -> {
            assertThat(done.series().get(name)).as(name).hasSameSizeAs(rows);
            for (int i = 0; i < rows.size(); i++) {
                Map<String, Object> found = done.series().get(name).get(i);
                rows.get(i).forEach((key, wanted) -> {
                    if (wanted instanceof Number number) {
                        assertThat((Double) found.get(key))
                                .as(name + key)
                                .isCloseTo(number.doubleValue(), within(2e-6));
                    } else {
                        assertThat(found.get(key)).as(name + key).isEqualTo(wanted);
                    }
                });
            }
        });
    }

    /** A drawn field: stops of three patches, some left alone, replicates, two kinds, two people, events. */
    private static ModelReadings drawn(Random random) {
        List<Visit> visits = new ArrayList<>();
        for (int t = 0; t < 1 + random.nextInt(4); t++) {
            visits.add(new Visit("v" + t, t * 0.7 + random.nextDouble()));
        }
        List<Stop> stops = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(5); i++) {
            int draw = random.nextInt(4);
            stops.add(new Stop("s" + i, draw == 0 ? "poor" : draw == 1 ? "left-alone" : null, draw == 1));
        }
        List<Event> events = new ArrayList<>();
        for (int j = 0; j < random.nextInt(3); j++) {
            events.add(new Event(
                    random.nextDouble() * 3, random.nextDouble(), 0.3, random.nextBoolean() ? null : Set.of("s0")));
        }
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < 3 + random.nextInt(15); i++) {
            boolean kit = random.nextInt(3) == 0;
            readings.add(new Reading(
                    stops.get(random.nextInt(stops.size())).id(),
                    visits.get(random.nextInt(visits.size())).id(),
                    kit ? "kit" : "meter",
                    random.nextBoolean() ? "A" : "B",
                    5 + random.nextDouble() * 2,
                    kit ? 0.3 : 0.1,
                    kit ? 0.25 : 0));
        }
        return new ModelReadings(visits, stops, events, readings);
    }

    /** Covariance of two readings, part by part; of a reading with the course of a visit; and their evidence. */
    private static double covariance(ModelReadings of, Scatter prior, int a, int b) {
        Reading one = of.readings().get(a);
        Reading two = of.readings().get(b);
        Stop here = stop(of, one.stop());
        Stop there = stop(of, two.stop());
        List<Visit> read = read(of);
        double early = Math.min(years(of, one.visit()), years(of, two.visit()));
        double sum =
                sq(prior.startSd()) + sq(prior.drift()) * (early - read.get(0).years());
        double last = read.get(read.size() - 1).years();
        for (Event event : of.events()) {
            if (event.years() >= read.get(0).years()
                    && event.years() < last
                    && event.treats(here)
                    && event.treats(there)
                    && event.years() < early) {
                sum += sq(event.sd());
            }
        }
        sum += here.patch() != null && here.patch().equals(there.patch()) ? sq(prior.patch()) : 0;
        sum += here.id().equals(there.id()) ? sq(prior.stop()) : 0;
        sum += here.id().equals(there.id()) && one.visit().equals(two.visit()) ? sq(prior.spot()) : 0;
        sum += one.visit().equals(two.visit()) ? sq(prior.visit()) : 0;
        sum += one.person().equals(two.person()) ? sq(prior.person()) : 0;
        sum += one.kind().equals(two.kind()) ? sq(one.kindSd()) : 0;
        return sum + (a == b ? sq(one.sd()) : 0);
    }

    private static double centre(ModelReadings of, Scatter prior, int a) {
        Reading one = of.readings().get(a);
        List<Visit> read = read(of);
        return prior.start()
                + of.events().stream()
                        .filter(event -> event.years() >= read.get(0).years()
                                && event.years() < read.get(read.size() - 1).years()
                                && event.years() < years(of, one.visit())
                                && event.treats(stop(of, one.stop())))
                        .mapToDouble(Event::expected)
                        .sum();
    }

    private static List<Visit> read(ModelReadings of) {
        Map<Double, Visit> byYears = new TreeMap<>();
        of.visits().stream()
                .filter(visit ->
                        of.readings().stream().anyMatch(each -> each.visit().equals(visit.id())))
                .forEach(visit -> byYears.put(visit.years(), visit));
        return List.copyOf(byYears.values());
    }

    private static Stop stop(ModelReadings of, String id) {
        return of.stops().stream()
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static double years(ModelReadings of, String visit) {
        return of.visits().stream()
                .filter(each -> each.id().equals(visit))
                .findFirst()
                .orElseThrow()
                .years();
    }

    private static double sq(double x) {
        return x * x;
    }

    /** ln |V| and rᵀV⁻¹r by elimination, without any of the model's own algebra. */
    private static double[] eliminated(double[][] v, double[] r) {
        int n = r.length;
        double log = 0;
        double quadratic = 0;
        for (int k = 0; k < n; k++) {
            log += Math.log(v[k][k]);
            quadratic += r[k] * r[k] / v[k][k];
            for (int i = k + 1; i < n; i++) {
                double f = v[i][k] / v[k][k];
                r[i] -= f * r[k];
                for (int j = k + 1; j < n; j++) {
                    v[i][j] -= f * v[k][j];
                }
            }
        }
        return new double[] {log, quadratic};
    }

    @Test
    void evidenceIsThatOfTheWholeCovariance() {
        Random random = new Random(28);
        Scatter prior = new Scatter(6.5, 1, 0.15, 0.4, 0.5, 0.4, 0.15, 0.1, 0.2, 12, 0.6);
        for (int run = 0; run < 200; run++) {
            ModelReadings of = drawn(random);
            int n = of.readings().size();
            double[][] v = new double[n][n];
            double[] r = new double[n];
            for (int a = 0; a < n; a++) {
                r[a] = of.readings().get(a).value() - centre(of, prior, a);
                for (int b = 0; b < n; b++) {
                    v[a][b] = covariance(of, prior, a, b);
                }
            }
            double[] whole = eliminated(v, r);
            double degrees = 12 + n;
            double wanted = LogGamma.value(degrees / 2)
                    - LogGamma.value(6)
                    - n / 2.0 * Math.log(12 * Math.PI)
                    - whole[0] / 2
                    - degrees / 2 * Math.log1p(whole[1] / 12);
            Change change = FieldModel.of(prior, of).change(-1, 99);
            assertThat(change.logEvidence()).isCloseTo(wanted, within(1e-7));
        }
    }

    @Test
    void theOrderOfWhatIsGivenChangesNothing() {
        Random random = new Random(5);
        for (int run = 0; run < 50; run++) {
            ModelReadings of = drawn(random);
            FieldModel one = FieldModel.of(PH, of);
            FieldModel other = FieldModel.of(
                    PH,
                    new ModelReadings(
                            shuffled(of.visits(), random),
                            shuffled(of.stops(), random),
                            of.events(),
                            shuffled(of.readings(), random)));
            assertThat(other.change(-1, 99).risen())
                    .isCloseTo(one.change(-1, 99).risen(), within(1e-9));
            for (Stop stop : one.stops()) {
                Visit last = one.visits().get(one.visits().size() - 1);
                same(other.stop(stop, last), one.stop(stop, last));
            }
        }
    }

    private static void same(Estimate one, Estimate other) {
        assertThat(one.value()).isCloseTo(other.value(), within(1e-9));
        assertThat(one.low()).isCloseTo(other.low(), within(1e-9));
    }

    private static <T> List<T> shuffled(List<T> list, Random random) {
        List<T> copy = new ArrayList<>(list);
        Collections.shuffle(copy, random);
        return copy;
    }

    /** A spot that its readings fix to a hair is what was read; one never read is what lasts. */
    @Test
    void aStopIsItsReadingWhereNothingIsInTheWay() {
        Scatter noSharing = new Scatter(6.5, 1, 0.15, 0.4, 0.5, 0.4, 0.15, 0, 0, 12, 0.6);
        ModelReadings of = new ModelReadings(
                List.of(new Visit("v", 0)),
                List.of(new Stop("a", null, false), new Stop("b", null, false)),
                List.of(),
                List.of(
                        new Reading("a", "v", "meter", null, 5.4, 1e-4, 0),
                        new Reading("b", "v", "meter", null, 6.4, 1e-4, 0)));
        FieldModel model = FieldModel.of(noSharing, of);
        Visit visit = model.visits().get(0);
        Estimate withSpot = model.stop(model.stops().get(0), visit);
        Estimate lasting = model.stop(model.stops().get(0), visit, false);
        assertThat(withSpot.value()).isCloseTo(5.4, within(1e-3));
        assertThat(lasting.value()).isBetween(5.41, 5.9);
        assertThat(lasting.high() - lasting.low()).isGreaterThan(10 * (withSpot.high() - withSpot.low()));
    }

    @Test
    void aPatchAgainstItselfIsNothing() {
        FieldModel model = FieldModel.of(PH, drawn(new Random(3)));
        assertThat(model.patch("poor", "poor").sd()).isZero();
        assertThat(model.patch("never read", null)).isEqualTo(model.patch(null, null));
    }
}
