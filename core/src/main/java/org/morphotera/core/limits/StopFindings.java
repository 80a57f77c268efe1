package org.morphotera.core.limits;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.judgement.StopLevels;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;

/**
 * The findings of a field, stop by stop. A figure is what the field model has of it at that stop, with a chance for every
 * state that it may lie in; a stop where it was not read borrows from the field with the width that such stops have. A
 * sign counts where it was seen.
 */
public final class StopFindings {

    /** A state that was read at other stops counts at this one as if one stop more had shown every state alike. */
    private static final double UNREAD = 1;

    /** No stop has this id. */
    private static final String OF_FIELD = "";

    /** Ids of readings are numbers of as many digits, so that they stand in their order. */
    private static final int FIRST_ID = 1_000_000;

    private final JudgedField field;
    private final CropNeeds crop;
    private final EvidenceTables tables;
    private final Benchmarks benchmarks;
    private final StopShares stops;
    private final Map<String, LocalDate> visits = new HashMap<>();
    private final List<StopSighting> seen;
    private final Map<String, StopLevels> levels = new LinkedHashMap<>();
    private final Map<String, Map<String, Found>> atStops = new LinkedHashMap<>();
    private final boolean noWorms;
    private final Map<String, Found> ofField;

    private StopFindings(
            Collection<StopSighting> all, JudgedField field, EvidenceTables tables, Benchmarks benchmarks) {
        this.field = field;
        this.tables = tables;
        this.benchmarks = benchmarks;
        this.crop = CropNeeds.of(field.place().crop(), field.place().landUse(), benchmarks);
        this.stops = new StopShares(field.stops());
        field.visits().forEach(each -> visits.put(each.id(), each.on()));
        MadeOld old = new MadeOld(
                done().stream()
                        .map(each -> new MadeOld.Done(each.on(), each.kind(), each.stops()))
                        .toList(),
                tables);
        this.seen = trusted(all.stream()
                .filter(each -> each.stop() == null || stops.stops().containsKey(each.stop()) && stands(each, old))
                .sorted(Comparator.comparingLong(StopSighting::order))
                .toList());
        Map<String, List<StopSighting>> byFinding = seen.stream()
                .filter(each -> each.stop() != null && each.seen().figure() != null)
                .collect(Collectors.groupingBy(each -> each.seen().finding()));
        for (FindingKind kind : tables.kinds()) {
            if (kind.model() != null && byFinding.containsKey(kind.id())) {
                level(byFinding.get(kind.id()), kind.model(), kind.best());
            }
        }
        if (byFinding.containsKey(Sightings.AT_200)) {
            level(byFinding.get(Sightings.AT_200), Sightings.AT_200, 0);
        }
        Map<String, List<StopSighting>> byStop =
                seen.stream().collect(Collectors.groupingBy(each -> each.stop() == null ? OF_FIELD : each.stop()));
        Map<String, Map<String, Found>> own = new LinkedHashMap<>();
        stops.stops()
                .keySet()
                .forEach(stop ->
                        own.put(stop, Sightings.findings(newest(byStop.getOrDefault(stop, List.of())), crop, tables)));
        Map<String, Found> told = Sightings.findings(newest(byStop.getOrDefault(OF_FIELD, List.of())), crop, tables);
        Map<String, List<Found>> everywhere = new HashMap<>();
        own.values()
                .forEach(there -> there.forEach((finding, found) -> everywhere
                        .computeIfAbsent(finding, key -> new ArrayList<>())
                        .add(found)));
        this.noWorms = noWormsAtAll();
        stops.stops().keySet().forEach(stop -> atStops.put(stop, at(stop, own.get(stop), everywhere, told)));
        this.ofField = atStops.isEmpty() ? told : over(stops.stops().keySet());
    }

    /**
     * @param all that was seen, of any day; what is not of a stop that speaks for the field, or for a patch of a known
     *     area, is passed over
     * @param field with the stops that were or could be read, and what was done
     */
    public static StopFindings of(
            Collection<StopSighting> all, JudgedField field, EvidenceTables tables, Benchmarks benchmarks) {
        return new StopFindings(all, field, tables, benchmarks);
    }

    /** The same with some more findings at every stop, asked about and not made. */
    public StopFindings supposing(Map<String, Found> supposed) {
        return supposed.isEmpty() ? this : new StopFindings(this, supposed);
    }

    private StopFindings(StopFindings known, Map<String, Found> supposed) {
        field = known.field;
        crop = known.crop;
        tables = known.tables;
        benchmarks = known.benchmarks;
        stops = known.stops;
        seen = known.seen;
        noWorms = known.noWorms;
        known.atStops.forEach((stop, here) -> {
            Map<String, Found> with = new LinkedHashMap<>(here);
            with.putAll(supposed);
            atStops.put(stop, with);
        });
        Map<String, Found> whole = new LinkedHashMap<>(known.ofField);
        whole.putAll(supposed);
        ofField = whole;
    }

    /** What is seen and not a figure says nothing any more once something was done that changes it. */
    private boolean stands(StopSighting each, MadeOld old) {
        LocalDate on = visits.get(each.visit());
        if (on == null || on.isAfter(field.on())) {
            return false;
        }
        FindingKind kind = tables.kind(each.seen().finding());
        return kind == null || kind.model() != null || !old.is(kind.property(), each.stop(), on);
    }

    /** Where readings that are known to mislead stand beside sound ones of the same finding, the sound ones speak alone. */
    private List<StopSighting> trusted(List<StopSighting> all) {
        Set<String> sound = new HashSet<>();
        Map<StopSighting, Double> weights = new IdentityHashMap<>();
        all.forEach(each -> {
            double weight = weight(each.seen());
            weights.put(each, weight);
            if (weight > Found.INVALID_UP_TO) {
                sound.add(each.seen().finding());
            }
        });
        return all.stream()
                .filter(each -> weights.get(each) > 0)
                .filter(each -> weights.get(each) > Found.INVALID_UP_TO
                        || !sound.contains(each.seen().finding()))
                .toList();
    }

    private double weight(Sighting of) {
        return tables.validity(of.finding(), of.marks(), state(of));
    }

    private @Nullable String state(Sighting of) {
        FindingKind kind = tables.kind(of.finding());
        return kind == null || of.figure() == null ? of.state() : kind.stateOf(of.figure(), crop);
    }

    private void level(List<StopSighting> of, String model, double best) {
        List<JudgedField.Reading> readings = new ArrayList<>();
        of.forEach(each -> readings.add(reading(each, model, best, readings.size())));
        levels.put(of.get(0).seen().finding(), StopLevels.of(model, field, readings, benchmarks));
    }

    private static JudgedField.Reading reading(StopSighting of, String model, double best, int count) {
        double figure = of.seen().figure();
        boolean scored = best > 0;
        return new JudgedField.Reading(
                String.valueOf(FIRST_ID + count),
                model,
                of.seen().finding(),
                "",
                null,
                false,
                of.seen().source(),
                of.stop(),
                of.visit(),
                scored ? figure / best : 0,
                scored ? null : figure,
                null,
                null,
                null,
                null,
                of.seen().marks());
    }

    /** The newest of each finding by each source. */
    private static List<Sighting> newest(List<StopSighting> of) {
        Map<List<Object>, Sighting> newest = new LinkedHashMap<>();
        of.forEach(each -> newest.put(List.of(each.seen().finding(), each.seen().source()), each.seen()));
        return List.copyOf(newest.values());
    }

    private Map<String, Found> at(
            String stop, Map<String, Found> own, Map<String, List<Found>> everywhere, Map<String, Found> told) {
        Map<String, Found> here = new LinkedHashMap<>(told);
        here.putAll(own);
        for (FindingKind kind : tables.kinds()) {
            StopLevels read = levels.get(kind.id());
            List<Found> elsewhere = everywhere.getOrDefault(kind.id(), List.of());
            if (read != null && (here.containsKey(kind.id()) || !elsewhere.isEmpty())) {
                Found trust = here.containsKey(kind.id()) ? here.get(kind.id()) : elsewhere.get(0);
                here.put(kind.id(), soft(kind, read.at(stop), trust));
            } else if (!here.containsKey(kind.id())
                    && !elsewhere.isEmpty()
                    && !kind.isSign()
                    && kind.of().equals(kind.id())) {
                here.put(kind.id(), borrowed(kind, elsewhere));
            }
        }
        derive(here, stop);
        return here;
    }

    /** Chances of the states of a figure. */
    private Found soft(FindingKind kind, StopLevels.Level level, Found trust) {
        Map<String, Double> chances = chances(kind, level::under);
        return new Found(
                StateChances.likeliest(chances),
                StateChances.saidByReadings(chances, chances(kind, level::underBefore)),
                trust.weight(),
                trust.less(),
                trust.source(),
                kind.best() > 0 ? Double.valueOf(kind.best() * level.figure()) : Double.valueOf(level.figure()));
    }

    private Map<String, Double> chances(FindingKind kind, DoubleUnaryOperator under) {
        double best = kind.best();
        return StateChances.of(
                kind.states(),
                kind.ends(crop),
                end -> best == 0 ? under.applyAsDouble(end) : end <= 0 ? 0 : under.applyAsDouble(end / best));
    }

    private static Found borrowed(FindingKind kind, List<Found> elsewhere) {
        Map<String, Double> chances = new LinkedHashMap<>();
        int states = kind.states().size();
        for (String state : kind.states()) {
            long there = elsewhere.stream()
                    .filter(each -> each.state().equals(state))
                    .count();
            chances.put(state, (there + UNREAD / states) / (elsewhere.size() + UNREAD));
        }
        double weight = elsewhere.stream().mapToDouble(Found::weight).average().orElse(1);
        Set<String> less = new LinkedHashSet<>();
        elsewhere.forEach(each -> less.addAll(each.less()));
        return new Found(
                StateChances.likeliest(chances),
                chances,
                weight,
                List.copyOf(less),
                elsewhere.get(0).source(),
                middle(elsewhere));
    }

    private static @Nullable Double middle(List<Found> of) {
        List<Double> figures =
                of.stream().map(Found::figure).filter(each -> each != null).toList();
        return figures.isEmpty()
                ? null
                : figures.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
    }

    /** What follows from other findings: states of the same figure, the contrast of infiltration, what says nothing. */
    private void derive(Map<String, Found> here, String stop) {
        for (FindingKind kind : tables.kinds()) {
            StopLevels read = levels.get(kind.of());
            if (!kind.of().equals(kind.id()) && read != null && here.containsKey(kind.of())) {
                here.put(kind.id(), soft(kind, read.at(stop), here.get(kind.of())));
            }
        }
        contrast(here, stop);
        if (noWorms) {
            here.put(Sightings.WORMS, new Found("none", 1, List.of(), Source.METER, 0.0));
        }
        Sightings.hide(here, tables);
    }

    private void contrast(Map<String, Found> here, String stop) {
        here.remove(Sightings.CONTRAST);
        StopLevels surface = levels.get(Sightings.INFILTRATION);
        StopLevels below = levels.get(Sightings.AT_200);
        if (surface == null || below == null || !here.containsKey(Sightings.INFILTRATION)) {
            return;
        }
        FindingKind kind = tables.kind(Sightings.CONTRAST);
        StopLevels.Level above = surface.at(stop);
        StopLevels.Level under = below.at(stop);
        Map<String, Double> chances =
                StateChances.of(kind.states(), kind.ends(crop), share -> under.underShareOf(above, share));
        List<Sighting> deep = seen.stream()
                .map(StopSighting::seen)
                .filter(each -> each.finding().equals(Sightings.AT_200))
                .toList();
        Found trust = here.get(Sightings.INFILTRATION);
        double weight = deep.stream().mapToDouble(this::weight).min().orElse(1);
        Set<String> less = new LinkedHashSet<>(trust.less());
        deep.forEach(each -> less.addAll(tables.countsLessBy(Sightings.AT_200, each.marks(), "")));
        here.put(
                Sightings.CONTRAST,
                new Found(
                        StateChances.likeliest(chances),
                        chances,
                        Math.min(trust.weight(), weight),
                        List.copyOf(less),
                        Source.METER,
                        under.figure() / Math.max(above.figure(), Double.MIN_NORMAL)));
    }

    private boolean noWormsAtAll() {
        List<StopSighting> counts = seen.stream()
                .filter(each -> each.seen().finding().equals(Sightings.WORM_COUNT))
                .toList();
        long at = counts.stream().map(StopSighting::stop).distinct().count();
        return at >= Sightings.STOPS_FOR_NONE
                && counts.stream()
                        .allMatch(each -> each.seen().figure() == 0
                                && !each.seen().marks().contains(Sightings.UNDERCOUNT));
    }

    /** What is found over some stops that count: the mean of the chances there, by their shares. */
    public Map<String, Found> over(Collection<String> some) {
        Map<String, Found> whole = new LinkedHashMap<>();
        for (FindingKind kind : tables.kinds()) {
            Map<String, Double> chances = new LinkedHashMap<>();
            List<Found> all = new ArrayList<>();
            for (String stop : some) {
                Found found = atStops.get(stop).get(kind.id());
                if (found != null) {
                    all.add(found);
                    for (String state : kind.states()) {
                        chances.merge(state, shares().get(stop) * found.chance(state), Double::sum);
                    }
                }
            }
            double sum =
                    chances.values().stream().mapToDouble(Double::doubleValue).sum();
            if (!all.isEmpty() && sum > 0) {
                chances.replaceAll((state, chance) -> chance / sum);
                Set<String> less = new LinkedHashSet<>();
                all.forEach(each -> less.addAll(each.less()));
                whole.put(
                        kind.id(),
                        new Found(
                                commonest(kind, some),
                                chances,
                                all.stream()
                                        .mapToDouble(Found::weight)
                                        .average()
                                        .orElse(1),
                                List.copyOf(less),
                                all.get(0).source(),
                                middle(all)));
            }
        }
        return whole;
    }

    /** The state that most of some stops are in, by their shares. */
    private String commonest(FindingKind kind, Collection<String> some) {
        Map<String, Double> in = new LinkedHashMap<>();
        for (String stop : some) {
            Found found = atStops.get(stop).get(kind.id());
            if (found != null) {
                in.merge(found.state(), shares().get(stop), Double::sum);
            }
        }
        return StateChances.likeliest(in);
    }

    /** The share of the field that each stop that counts stands for, 0 to 1, by id; they add up to 1. */
    public Map<String, Double> shares() {
        return stops.shares();
    }

    /** The stops that count, in the order of the field. */
    public List<JudgedField.Stop> stops() {
        return List.copyOf(stops.stops().values());
    }

    /** What is found at a stop that counts. */
    public Map<String, Found> at(String stop) {
        return atStops.get(stop);
    }

    /** What is found of the field as a whole. */
    public Map<String, Found> field() {
        return ofField;
    }

    /** The newest day on which one of some findings was read at a stop that counts; {@code null} where none was. */
    public @Nullable LocalDate lastRead(Predicate<String> finding) {
        return seen.stream()
                .filter(each -> each.visit() != null && finding.test(each.seen().finding()))
                .map(each -> visits.get(each.visit()))
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    /** What was done to the field until the day that it is judged for. */
    public List<JudgedField.Event> done() {
        return field.events().stream()
                .filter(each -> !each.on().isAfter(field.on()))
                .toList();
    }

    /** What its crop stands. */
    public CropNeeds crop() {
        return crop;
    }

    /** Land use as the field has it; {@code null} where it is not known. */
    public @Nullable LandUse landUse() {
        return field.place().landUse();
    }
}
