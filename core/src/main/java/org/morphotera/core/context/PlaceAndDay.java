package org.morphotera.core.context;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.Season;

/**
 * All that is on record of a field and a visit from which the context of a test follows: {@link #contextOf}. The server
 * fills it from its rows; the page from what it has read and what it keeps itself.
 *
 * @param southern whether the field lies on the southern hemisphere; see {@link #southern}
 * @param events what was done to the field, in any order
 * @param found textures found at its stops, and covers read on this visit; those that stand, in any order
 */
public record PlaceAndDay(
        KnownField field, KnownVisit visit, boolean southern, List<PastEvent> events, List<ContextReading> found) {

    /** What is said of the field; each part may be {@code null}. */
    public record KnownField(
            @Nullable String landUse,
            @Nullable String crop,
            @Nullable String purpose,
            @Nullable String textureClass) {}

    /**
     * What is said of the visit; all but its day may be {@code null}.
     *
     * @param daysSinceRain whole days
     * @param soilTempC °C at 10 cm
     * @param carbonAdded whether fresh carbon came in last autumn, as said on the visit
     */
    public record KnownVisit(
            LocalDate visitedOn,
            @Nullable String soilMoisture,
            @Nullable Integer daysSinceRain,
            @Nullable Double soilTempC,
            @Nullable Boolean carbonAdded) {}

    /** Something done to the field, by its kind as written. */
    public record PastEvent(String kind, LocalDate happenedOn) {}

    /**
     * A reading that is context for other tests: of one of its two figures, the other is {@code null}.
     *
     * @param id of the measurement
     * @param coverPct cover of the ground, %
     */
    public record ContextReading(
            String id,
            String stopId,
            Instant takenAt,
            @Nullable String textureClass,
            @Nullable Double coverPct) {

        /** The indicator by which the cover of the ground is context for others. */
        private static final String COVER = "ground-cover";

        /** What a test found that is context for others; {@code null} where that is nothing. */
        public static @Nullable ContextReading of(
                FieldMethod<?> method, String id, String stopId, Instant takenAt, Envelope envelope) {
            if (method.card().contextClass() != null && method.contextCode(envelope) instanceof String code) {
                return new ContextReading(id, stopId, takenAt, code, null);
            }
            return method.card().indicators().stream()
                    .filter(each -> each.id().equals(COVER) && envelope.standing(COVER) != null)
                    .map(each -> envelope.values().get(each.figure()))
                    .filter(Objects::nonNull)
                    .map(figure -> new ContextReading(id, stopId, takenAt, null, figure.value()))
                    .findFirst()
                    .orElse(null);
        }

        /** Whether what a test finds may be context for others. */
        public static boolean mayComeOf(FieldMethod<?> method) {
            MethodCard card = method.card();
            return card.contextClass() != null
                    || card.indicators().stream().anyMatch(each -> each.id().equals(COVER));
        }

        /** Later ones last; of two of one moment the one whose id comes first. */
        private static final Comparator<ContextReading> BY_AGE = Comparator.comparing(ContextReading::takenAt)
                .thenComparing(ContextReading::id, Comparator.reverseOrder());
    }

    /** The season of the visit's day. */
    public Season season() {
        return Season.ofMonth(visit.visitedOn().getMonthValue(), southern);
    }

    /** Whether fresh carbon came in last autumn: by an event, else as said on the visit; {@code null} where unknown. */
    public @Nullable Boolean carbonAdded(Additions additions) {
        boolean event = events.stream()
                .anyMatch(each ->
                        additions.carbonLastAutumn(each.kind(), each.happenedOn(), visit.visitedOn(), southern));
        return event ? Boolean.TRUE : visit.carbonAdded();
    }

    /** The part of the context that the day gives: moisture, rain, temperature, season. */
    public Map<String, Object> conditions() {
        Map<String, Object> context = new LinkedHashMap<>();
        put(context, "soilMoisture", visit.soilMoisture());
        put(context, "daysSinceRain", visit.daysSinceRain());
        put(context, "soilTempC", visit.soilTempC());
        put(context, "season", season().code());
        return context;
    }

    /**
     * The context of a test at a stop, as {@link org.morphotera.core.method.Context#parse} reads it; the sampled layer
     * comes from the test.
     */
    public Map<String, Object> contextOf(String stop, Additions additions) {
        Map<String, Object> context = new LinkedHashMap<>();
        String texture = newest(stop, ContextReading::textureClass);
        put(context, "textureClass", texture == null ? field.textureClass() : texture);
        put(context, "landUse", field.landUse());
        put(context, "crop", field.crop());
        put(context, "purpose", field.purpose());
        context.putAll(conditions());
        put(context, "carbonAddedLastAutumn", carbonAdded(additions));
        boolean biochar = events.stream()
                .anyMatch(each -> additions.biocharOfLate(each.kind(), each.happenedOn(), visit.visitedOn()));
        put(context, "biocharWithin6Months", biochar ? Boolean.TRUE : null);
        put(context, "coverPct", newest(stop, ContextReading::coverPct));
        return context;
    }

    /** The same once a test was recorded. */
    public PlaceAndDay with(@Nullable ContextReading recorded, @Nullable String superseded) {
        List<ContextReading> now = new ArrayList<>(found);
        now.removeIf(each -> each.id().equals(superseded));
        if (recorded != null) {
            now.add(recorded);
        }
        return new PlaceAndDay(field, visit, southern, events, now);
    }

    private <T> @Nullable T newest(String stop, Function<ContextReading, @Nullable T> figure) {
        Optional<ContextReading> newest = found.stream()
                .filter(each -> each.stopId().equals(stop) && figure.apply(each) != null)
                .max(ContextReading.BY_AGE);
        return newest.isEmpty() ? null : figure.apply(newest.get());
    }

    private static void put(Map<String, Object> context, String name, @Nullable Object value) {
        if (value != null) {
            context.put(name, value);
        }
    }

    /**
     * On which hemisphere a field lies: by its own stops, else by any other stop of the practice, else as the practice
     * says in its settings.
     *
     * @param ofStops latitudes of the field's stops, degrees; {@code null} where one has no position
     * @param ofPractice a latitude of the practice, degrees; or {@code null}
     * @param hemisphere {@code north} or {@code south}, of the settings
     */
    public static boolean southern(
            Collection<@Nullable Double> ofStops, @Nullable Double ofPractice, @Nullable String hemisphere) {
        List<Double> known = ofStops.stream().filter(Objects::nonNull).toList();
        if (!known.isEmpty()) {
            return known.stream().anyMatch(latitude -> latitude < 0);
        }
        return ofPractice == null ? "south".equals(hemisphere) : ofPractice < 0;
    }

    /**
     * Reads it from a plain tree, as the page has it.
     *
     * @param tree {@code field}, {@code visit}, {@code southern}, {@code events}, {@code found}; parts that are unknown
     *     may be absent
     * @throws IllegalArgumentException naming a day or moment that is none
     */
    public static PlaceAndDay of(Map<?, ?> tree) {
        Map<?, ?> field = (Map<?, ?>) tree.get("field");
        Map<?, ?> visit = (Map<?, ?>) tree.get("visit");
        Number rain = (Number) visit.get("daysSinceRain");
        Number temperature = (Number) visit.get("soilTempC");
        List<PastEvent> events = new ArrayList<>();
        for (Object each : listOf(tree.get("events"))) {
            Map<?, ?> event = (Map<?, ?>) each;
            events.add(new PastEvent(text(event, "kind"), day(event, "happenedOn")));
        }
        List<ContextReading> found = new ArrayList<>();
        for (Object each : listOf(tree.get("found"))) {
            Map<?, ?> one = (Map<?, ?>) each;
            Number cover = (Number) one.get("coverPct");
            found.add(new ContextReading(
                    text(one, "id"),
                    text(one, "stopId"),
                    moment(one, "takenAt"),
                    text(one, "textureClass"),
                    cover == null ? null : cover.doubleValue()));
        }
        return new PlaceAndDay(
                new KnownField(
                        text(field, "landUse"),
                        text(field, "crop"),
                        text(field, "purpose"),
                        text(field, "textureClass")),
                new KnownVisit(
                        day(visit, "visitedOn"),
                        text(visit, "soilMoisture"),
                        rain == null ? null : Integer.valueOf(rain.intValue()),
                        temperature == null ? null : Double.valueOf(temperature.doubleValue()),
                        (Boolean) visit.get("carbonAdded")),
                Boolean.TRUE.equals(tree.get("southern")),
                events,
                found);
    }

    private static List<?> listOf(@Nullable Object tree) {
        return tree instanceof List<?> list ? list : List.of();
    }

    private static @Nullable String text(Map<?, ?> tree, String name) {
        return (String) tree.get(name);
    }

    private static LocalDate day(Map<?, ?> tree, String name) {
        try {
            return LocalDate.parse(String.valueOf(tree.get(name)));
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(name + " is no day: " + tree.get(name), e);
        }
    }

    private static Instant moment(Map<?, ?> tree, String name) {
        try {
            return Instant.parse(String.valueOf(tree.get(name)));
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(name + " is no moment: " + tree.get(name), e);
        }
    }
}
