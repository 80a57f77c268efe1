package org.morphotera.core.judgement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.apache.commons.numbers.gamma.LogGamma;
import org.apache.commons.statistics.distribution.TDistribution;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.ModelReadings.Event;
import org.morphotera.core.judgement.ModelReadings.Reading;
import org.morphotera.core.judgement.ModelReadings.Stop;
import org.morphotera.core.judgement.ModelReadings.Visit;
import org.morphotera.core.statistics.Sample;

/**
 * What the readings of one indicator say of a field: a linear model with Gaussian parts of known scatter and one unknown
 * factor on all variances, so that every figure is Student-t (O'Hagan and Forster, 2004, chapter 11).
 *
 * <pre>reading = level + steps + events + patch + stop + spot + visit + person + kind + instrument</pre>
 *
 * <p>The spot and the instrument belong to one stop on one visit and are summed out first; what is left is solved for in
 * as many unknowns as there are other parts. Immutable.
 */
public final class FieldModel {

    /**
     * A figure of the model with its interval of 95 %.
     *
     * @param sd scale of its Student-t distribution
     */
    public record Estimate(double value, double low, double high, double sd) {}

    /**
     * What an event did.
     *
     * @param effect {@code null} where it lies before the first visit read, or on or after the last
     * @param risen chance that it raised the figure at all
     * @param fallen chance that it lowered it
     */
    public record EventEffect(@Nullable Estimate effect, double risen, double fallen) {}

    /**
     * Change of the treated field over a window of visits.
     *
     * @param changed chance that anything did change
     * @param logEvidence of the model
     * @param logEvidenceStill of the model in which nothing went on in the window
     */
    public record Change(
            Visit from,
            Visit to,
            Estimate estimate,
            double changed,
            double risen,
            double fallen,
            double logEvidence,
            double logEvidenceStill) {}

    /** A figure that can be asked for: a sum of unknowns, with a spot's own share where one belongs to it. */
    public static final class Asked {

        private final double[] contrast;
        private final double shift;
        private final double own;

        private Asked(double[] contrast, double shift, double own) {
            this.contrast = contrast;
            this.shift = shift;
            this.own = own;
        }

        private Asked ahead(Ahead ahead) {
            return new Asked(contrast, shift + ahead.mean(), own + ahead.variance());
        }
    }

    private static final Estimate NOTHING = new Estimate(0, 0, 0, 0);

    private final Scatter scatter;
    private final List<Visit> visits;
    private final List<Stop> stops;
    private final List<Event> events;
    private final List<Reading> readings;

    /** Position of each event among the unknowns; −1 for one that is left out. */
    private final int[] eventAt;

    /** Share of the read stops not left alone that each event treats. */
    private final double[] eventShare;

    private final Map<String, Integer> visitIndex = new LinkedHashMap<>();
    private final Map<String, Integer> patchAt = new TreeMap<>();
    private final Map<String, Integer> stopAt = new LinkedHashMap<>();
    private final Map<String, Integer> visitAt = new LinkedHashMap<>();
    private final Map<String, Integer> personAt = new LinkedHashMap<>();
    private final Map<String, Integer> kindAt = new LinkedHashMap<>();

    /** Standard deviation and centre of each unknown before any reading. */
    private final double[] priorSd;

    private final double[] centre;

    /** Readings of one stop on one visit. */
    private record Spot(List<Integer> rows, double weight, double shrink) {}

    private final Map<List<String>, Spot> spots = new LinkedHashMap<>();
    private final int[][] parts;

    /** XᵀR⁻¹X, XᵀR⁻¹y, yᵀR⁻¹y and ln |R|, where R is what spots and instruments scatter, y the readings less start. */
    private final double[][] gram;

    private final double[] gramY;
    private double squares;
    private double logNoise;

    private final Posterior full;
    private final double degrees;
    private final double quantile;

    private FieldModel(Scatter scatter, ModelReadings given) {
        this.scatter = scatter;
        this.readings = given.readings();
        Map<String, Stop> stopsById = new TreeMap<>();
        given.stops().forEach(each -> stopsById.put(each.id(), each));
        this.visits = given.visits().stream()
                .filter(visit -> readings.stream().anyMatch(each -> each.visit().equals(visit.id())))
                .sorted(Comparator.comparingDouble(Visit::years))
                .toList();
        this.stops = stopsById.values().stream()
                .filter(stop -> readings.stream().anyMatch(each -> each.stop().equals(stop.id())))
                .toList();
        this.events = given.events();
        this.eventAt = new int[events.size()];
        this.eventShare = new double[events.size()];
        List<double[]> priors = new ArrayList<>();
        layOut(priors);
        this.priorSd = priors.stream().mapToDouble(each -> each[0]).toArray();
        this.centre = priors.stream().mapToDouble(each -> each[1]).toArray();
        this.gram = new double[priorSd.length][priorSd.length];
        this.gramY = new double[priorSd.length];
        this.parts = new int[readings.size()][];
        this.degrees = scatter.freedom() + readings.size();
        this.quantile = Sample.studentTQuantile(Sample.TWO_SIDED_95, degrees);
        sumOutSpots(stopsById);
        this.full = new Posterior(new boolean[priorSd.length]);
    }

    /**
     * @param readings at least one; their stops and visits are among those given
     * @throws IllegalArgumentException when there is none
     */
    public static FieldModel of(Scatter scatter, ModelReadings readings) {
        if (readings.readings().isEmpty()) {
            throw new IllegalArgumentException("no readings");
        }
        return new FieldModel(scatter, readings);
    }

    /** Logarithm of the likelihood of all readings with the factor on all variances held at 1, but for a constant. */
    double logLikelihood() {
        return -(logNoise + full.solved.logDeterminant() + full.quadratic) / 2;
    }

    // ---- the unknowns ----

    private void layOut(List<double[]> priors) {
        priors.add(new double[] {scatter.startSd(), 0});
        for (int t = 1; t < visits.size(); t++) {
            double years = visits.get(t).years() - visits.get(t - 1).years();
            priors.add(new double[] {scatter.drift() * Math.sqrt(years), 0});
        }
        List<Stop> treated = stops.stream().filter(each -> !each.untreated()).toList();
        double first = visits.get(0).years();
        double last = visits.get(visits.size() - 1).years();
        for (int j = 0; j < events.size(); j++) {
            Event event = events.get(j);
            boolean within = event.years() >= first && event.years() < last;
            eventAt[j] = within ? priors.size() : -1;
            eventShare[j] = treated.isEmpty()
                    ? 0
                    : (double) treated.stream().filter(event::treats).count() / treated.size();
            if (within) {
                priors.add(new double[] {event.sd(), event.expected()});
            }
        }
        stops.stream().filter(each -> each.patch() != null).forEach(each -> patchAt.putIfAbsent(each.patch(), 0));
        patchAt.replaceAll((patch, none) -> add(priors, scatter.patch()));
        stops.forEach(each -> stopAt.put(each.id(), add(priors, scatter.stop())));
        for (int t = 0; t < visits.size(); t++) {
            visitIndex.put(visits.get(t).id(), t);
            visitAt.put(visits.get(t).id(), add(priors, scatter.visit()));
        }
        Map<String, Double> kinds = new LinkedHashMap<>();
        for (Reading each : readings) {
            if (each.person() != null && scatter.person() > 0 && !personAt.containsKey(each.person())) {
                personAt.put(each.person(), add(priors, scatter.person()));
            }
            if (each.kind() != null && each.kindSd() > 0) {
                kinds.merge(each.kind(), each.kindSd(), Math::max);
            }
        }
        kinds.forEach((kind, sd) -> kindAt.put(kind, add(priors, sd)));
    }

    private static int add(List<double[]> priors, double sd) {
        priors.add(new double[] {sd, 0});
        return priors.size() - 1;
    }

    private int[] partsOf(Reading reading, Stop stop) {
        int t = visitIndex.get(reading.visit());
        IntStream.Builder found = IntStream.builder();
        for (int i = 0; i <= t; i++) {
            found.add(i);
        }
        for (int j = 0; j < events.size(); j++) {
            if (eventAt[j] >= 0
                    && visits.get(t).years() > events.get(j).years()
                    && events.get(j).treats(stop)) {
                found.add(eventAt[j]);
            }
        }
        if (stop.patch() != null) {
            found.add(patchAt.get(stop.patch()));
        }
        found.add(stopAt.get(stop.id())).add(visitAt.get(reading.visit()));
        Integer person = reading.person() == null ? null : personAt.get(reading.person());
        if (person != null) {
            found.add(person);
        }
        Integer kind = reading.kind() == null ? null : kindAt.get(reading.kind());
        if (kind != null) {
            found.add(kind);
        }
        return found.build().toArray();
    }

    /** Readings of a spot share its variance: R⁻¹ = W − shrink·W1·1ᵀW (Sherman and Morrison, 1950). */
    private void sumOutSpots(Map<String, Stop> stopsById) {
        Map<List<String>, List<Integer>> rows = new LinkedHashMap<>();
        for (int i = 0; i < readings.size(); i++) {
            Reading each = readings.get(i);
            parts[i] = partsOf(each, stopsById.get(each.stop()));
            rows.computeIfAbsent(List.of(each.stop(), each.visit()), key -> new ArrayList<>())
                    .add(i);
        }
        double variance = scatter.spot() * scatter.spot();
        rows.forEach((key, of) -> {
            double weight = of.stream().mapToDouble(this::weight).sum();
            Spot spot = new Spot(of, weight, variance / (1 + variance * weight));
            spots.put(key, spot);
            double[] shared = new double[gramY.length];
            double sharedY = 0;
            for (int i : of) {
                double w = weight(i);
                double y = readings.get(i).value() - scatter.start();
                for (int a : parts[i]) {
                    for (int b : parts[i]) {
                        gram[a][b] += w;
                    }
                    gramY[a] += w * y;
                    shared[a] += w;
                }
                sharedY += w * y;
                squares += w * y * y;
                logNoise -= Math.log(w);
            }
            logNoise += Math.log1p(variance * weight);
            squares -= spot.shrink() * sharedY * sharedY;
            int[] touched = IntStream.range(0, shared.length)
                    .filter(a -> shared[a] != 0)
                    .toArray();
            for (int a : touched) {
                for (int b : touched) {
                    gram[a][b] -= spot.shrink() * shared[a] * shared[b];
                }
                gramY[a] -= spot.shrink() * shared[a] * sharedY;
            }
        });
    }

    private double weight(int reading) {
        double sd = readings.get(reading).sd();
        return 1 / (sd * sd);
    }

    /** The unknowns once the readings are known, with some of them held at nothing. */
    private final class Posterior {

        /** Standard deviations before the readings; 0 for what is held. */
        private final double[] scale;

        private final Cholesky solved;
        private final double[] mean;
        private final double factor;
        private final double logEvidence;

        /** (y − X·centre)ᵀV⁻¹(y − X·centre). */
        private final double quadratic;

        Posterior(boolean[] held) {
            int n = priorSd.length;
            scale = new double[n];
            double[] middle = new double[n];
            for (int a = 0; a < n; a++) {
                scale[a] = held[a] ? 0 : priorSd[a];
                middle[a] = held[a] ? 0 : centre[a];
            }
            double[] rest = gramY.clone();
            double left = squares;
            double[][] precision = new double[n][n];
            for (int a = 0; a < n; a++) {
                double shift = 0;
                for (int b = 0; b < n; b++) {
                    shift += gram[a][b] * middle[b];
                    if (b <= a) {
                        precision[a][b] = scale[a] * gram[a][b] * scale[b] + (a == b ? 1 : 0);
                    }
                }
                rest[a] -= shift;
                left += middle[a] * (shift - 2 * gramY[a]);
                rest[a] *= scale[a];
            }
            solved = Cholesky.of(precision);
            double[] found = solved.solve(rest);
            mean = new double[n];
            for (int a = 0; a < n; a++) {
                mean[a] = middle[a] + scale[a] * found[a];
                left -= rest[a] * found[a];
            }
            quadratic = Math.max(0, left);
            double freedom = scatter.freedom();
            factor = (freedom + quadratic) / degrees;
            logEvidence = LogGamma.value(degrees / 2)
                    - LogGamma.value(freedom / 2)
                    - readings.size() / 2.0 * Math.log(freedom * Math.PI)
                    - (logNoise + solved.logDeterminant()) / 2
                    - degrees / 2 * Math.log1p(quadratic / freedom);
        }

        /** Covariance of the unknowns with a figure made of them, but for the common factor. */
        double[] gain(double[] contrast) {
            double[] scaled = new double[contrast.length];
            for (int a = 0; a < contrast.length; a++) {
                scaled[a] = scale[a] * contrast[a];
            }
            double[] solution = solved.solve(scaled);
            for (int a = 0; a < contrast.length; a++) {
                solution[a] *= scale[a];
            }
            return solution;
        }

        /** @param own variance of the figure that lies in none of the unknowns */
        Estimate estimate(double[] contrast, double shift, double own) {
            double[] scaled = new double[contrast.length];
            double value = shift;
            for (int a = 0; a < contrast.length; a++) {
                scaled[a] = scale[a] * contrast[a];
                value += contrast[a] * mean[a];
            }
            double variance = own;
            for (double z : solved.half(scaled)) {
                variance += z * z;
            }
            double sd = Math.sqrt(variance * factor);
            return new Estimate(value, value - quantile * sd, value + quantile * sd, sd);
        }
    }

    // ---- what is asked of it ----

    /** The visits that read it, by time. */
    public List<Visit> visits() {
        return visits;
    }

    /** The stops that it was read at, by id. */
    public List<Stop> stops() {
        return stops;
    }

    /** Degrees of freedom of every figure. */
    public double degrees() {
        return degrees;
    }

    /** The treated routine field on a visit read: level, steps and events by the share of stops that they treat. */
    public Estimate course(Visit visit) {
        return field(visit, List.of(), Ahead.NONE);
    }

    /**
     * What lies between the last visit read and the day that is asked for.
     *
     * @param mean what was done since should have done
     * @param variance of that and of what goes on by itself
     */
    public record Ahead(double mean, double variance) {

        /** Nothing. */
        public static final Ahead NONE = new Ahead(0, 0);
    }

    /** What is asked for. */
    public Estimate estimate(Asked asked) {
        return full.estimate(asked.contrast, asked.shift, asked.own);
    }

    /** One figure less another of the same model. */
    public Estimate difference(Asked one, Asked other) {
        double[] contrast = one.contrast.clone();
        for (int a = 0; a < contrast.length; a++) {
            contrast[a] -= other.contrast[a];
        }
        return full.estimate(contrast, one.shift - other.shift, one.own + other.own);
    }

    /**
     * The course with the mean of some patches that speak for the field.
     *
     * @param patches of the stops that speak, as often as there are stops; {@code null} among them is the routine field
     */
    public Asked askField(Visit visit, List<@Nullable String> patches) {
        return new Asked(fieldAt(visit, patches), scatter.start(), 0);
    }

    /** The same on a later day. */
    public Estimate field(Visit visit, List<@Nullable String> patches, Ahead ahead) {
        return estimate(askField(visit, patches).ahead(ahead));
    }

    private double[] fieldAt(Visit visit, List<@Nullable String> patches) {
        double[] contrast = courseAt(visitIndex.get(visit.id()));
        for (String patch : patches) {
            if (patch != null && patchAt.containsKey(patch)) {
                contrast[patchAt.get(patch)] += 1.0 / patches.size();
            }
        }
        return contrast;
    }

    /** The course as it is where an event was done, in full. */
    public Estimate whereDone(int event, Visit visit) {
        double[] contrast = courseAt(visitIndex.get(visit.id()));
        if (eventAt[event] >= 0 && events.get(event).years() < visit.years()) {
            contrast[eventAt[event]] = 1;
        }
        return full.estimate(contrast, scatter.start(), 0);
    }

    /** How much each reading moves the field's figure on a visit, in the order of the readings. */
    public double[] weights(Visit visit, List<@Nullable String> patches) {
        double[] gain = full.gain(fieldAt(visit, patches));
        double[] weights = new double[readings.size()];
        for (Spot spot : spots.values()) {
            double shared = 0;
            for (int i : spot.rows()) {
                for (int a : parts[i]) {
                    weights[i] += gain[a];
                }
                weights[i] *= weight(i);
                shared += weights[i];
            }
            for (int i : spot.rows()) {
                weights[i] -= spot.shrink() * weight(i) * shared;
            }
        }
        return weights;
    }

    private double[] courseAt(int t) {
        double[] contrast = new double[priorSd.length];
        for (int i = 0; i <= t; i++) {
            contrast[i] = 1;
        }
        for (int j = 0; j < eventAt.length; j++) {
            if (eventAt[j] >= 0 && events.get(j).years() < visits.get(t).years()) {
                contrast[eventAt[j]] = eventShare[j];
            }
        }
        return contrast;
    }

    /** A stop on a visit read, with the hole of that day where it was read then. */
    public Estimate stop(Stop stop, Visit visit) {
        return stop(stop, visit, true);
    }

    /** @param withSpot whether the hole of that day belongs to it, not only what lasts */
    public Estimate stop(Stop stop, Visit visit, boolean withSpot) {
        return estimate(askStop(stop, visit, withSpot));
    }

    /** What lasts at a stop, on a later day than a visit read. */
    public Estimate stop(Stop stop, Visit visit, Ahead ahead) {
        return estimate(askStop(stop, visit, false).ahead(ahead));
    }

    /** A stop on a visit; see {@link #stop(Stop, Visit, boolean)}. */
    public Asked askStop(Stop stop, Visit visit, boolean withSpot) {
        int t = visitIndex.get(visit.id());
        double[] contrast = new double[priorSd.length];
        for (int i = 0; i <= t; i++) {
            contrast[i] = 1;
        }
        for (int j = 0; j < eventAt.length; j++) {
            if (eventAt[j] >= 0
                    && events.get(j).years() < visits.get(t).years()
                    && events.get(j).treats(stop)) {
                contrast[eventAt[j]] = 1;
            }
        }
        if (stop.patch() != null) {
            contrast[patchAt.get(stop.patch())] = 1;
        }
        contrast[stopAt.get(stop.id())] = 1;
        Spot spot = withSpot ? spots.get(List.of(stop.id(), visit.id())) : null;
        if (spot == null) {
            return new Asked(contrast, scatter.start(), 0);
        }
        // the spot is what its readings are off the rest of the model, shrunk
        double shift = scatter.start();
        for (int i : spot.rows()) {
            double pull = spot.shrink() * weight(i);
            shift += pull * (readings.get(i).value() - scatter.start());
            for (int a : parts[i]) {
                contrast[a] -= pull;
            }
        }
        return new Asked(contrast, shift, spot.shrink());
    }

    /** Named patches that were read, by name, each against the routine stops. */
    public Map<String, Estimate> patches() {
        Map<String, Estimate> found = new LinkedHashMap<>();
        patchAt.forEach((patch, at) -> found.put(patch, patch(patch, null)));
        return found;
    }

    /** One patch less another; {@code null} is the routine field, and so is a patch that was not read. */
    public Estimate patch(@Nullable String patch, @Nullable String other) {
        double[] contrast = new double[priorSd.length];
        Integer plus = patch == null ? null : patchAt.get(patch);
        Integer minus = other == null ? null : patchAt.get(other);
        if (plus != null) {
            contrast[plus] += 1;
        }
        if (minus != null) {
            contrast[minus] -= 1;
        }
        return full.estimate(contrast, 0, 0);
    }

    /**
     * Change of the treated field between the first and the last visit read in a window.
     *
     * @param fromYears and {@code toYears}: ends of the window, both in it
     * @return {@code null} where nothing was read in it
     */
    public @Nullable Change change(double fromYears, double toYears) {
        int from = -1;
        int to = -1;
        for (int t = 0; t < visits.size(); t++) {
            double years = visits.get(t).years();
            if (years >= fromYears && years <= toYears) {
                from = from < 0 ? t : from;
                to = t;
            }
        }
        if (from < 0) {
            return null;
        }
        Visit first = visits.get(from);
        Visit last = visits.get(to);
        if (from == to) {
            return new Change(first, last, NOTHING, 0, 0, 0, full.logEvidence, full.logEvidence);
        }
        double[] contrast = new double[priorSd.length];
        boolean[] held = new boolean[priorSd.length];
        for (int t = from + 1; t <= to; t++) {
            contrast[t] = 1;
            held[t] = true;
        }
        for (int j = 0; j < eventAt.length; j++) {
            double years = events.get(j).years();
            if (eventAt[j] >= 0 && years >= first.years() && years < last.years()) {
                contrast[eventAt[j]] = eventShare[j];
                held[eventAt[j]] = true;
            }
        }
        double still = new Posterior(held).logEvidence;
        Estimate estimate = full.estimate(contrast, 0, 0);
        double changed = chance(full.logEvidence - still);
        double up = chanceOver(estimate);
        return new Change(first, last, estimate, changed, changed * up, changed * (1 - up), full.logEvidence, still);
    }

    /** What each event did, in the order given. */
    public List<EventEffect> effects() {
        return IntStream.range(0, events.size()).mapToObj(this::effect).toList();
    }

    private EventEffect effect(int j) {
        if (eventAt[j] < 0) {
            return new EventEffect(null, 0, 0);
        }
        double[] contrast = new double[priorSd.length];
        contrast[eventAt[j]] = 1;
        Estimate effect = full.estimate(contrast, 0, 0);
        if (!readOnBothSides(events.get(j))) {
            return new EventEffect(effect, 0, 0);
        }
        boolean[] held = new boolean[priorSd.length];
        held[eventAt[j]] = true;
        double did = chance(full.logEvidence - new Posterior(held).logEvidence);
        double up = chanceOver(effect);
        return new EventEffect(effect, did * up, did * (1 - up));
    }

    /** The prior alone is no finding: stops that an event treats have to be read before and after it. */
    private boolean readOnBothSides(Event event) {
        boolean before = false;
        boolean after = false;
        for (Reading each : readings) {
            boolean treated = stops.stream().anyMatch(stop -> stop.id().equals(each.stop()) && event.treats(stop));
            if (treated) {
                boolean later = visits.get(visitIndex.get(each.visit())).years() > event.years();
                after |= later;
                before |= !later;
            }
        }
        return before && after;
    }

    /** real·B ÷ (1 − real + real·B) of the ratio B of two evidences. */
    private double chance(double logRatio) {
        double real = scatter.real();
        if (real <= 0 || real >= 1) {
            return real <= 0 ? 0 : 1;
        }
        return rounded(1 / (1 + (1 - real) / real * Math.exp(-rounded(logRatio))));
    }

    /** Nine decimals: an exponential carries the last bits, which differ between a JVM and a page, into the first. */
    private static double rounded(double x) {
        return Math.abs(x) < MOST_ROUNDED ? Math.floor(x * BILLION + 0.5) / BILLION : x;
    }

    private static final double BILLION = 1e9;
    private static final double MOST_ROUNDED = 1e6;

    private double chanceOver(Estimate estimate) {
        if (estimate.sd() == 0) {
            return estimate.value() > 0 ? 1 : 0;
        }
        return rounded(TDistribution.of(degrees).cumulativeProbability(rounded(estimate.value() / estimate.sd())));
    }
}
