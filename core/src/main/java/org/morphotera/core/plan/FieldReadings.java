package org.morphotera.core.plan;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Stream;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;
import org.morphotera.core.statistics.Sample;

/**
 * The newest readings of a field, over its stops; every page that speaks of the field takes its facts from here.
 *
 * @param readings newest first
 */
public record FieldReadings(List<Reading> readings) {

    /** The context class by which texture is known. */
    public static final String TEXTURE = "textureClass";

    /**
     * What one stop shows; all but indicator and method may be {@code null}.
     *
     * @param kind by which instrument or key it was read
     * @param code the class, for what is context
     * @param figure in the indicator's unit
     * @param source where the figure comes from
     * @param layer that it speaks for
     */
    public record Reading(
            String indicator,
            String method,
            String kind,
            String code,
            Double standing,
            Double figure,
            Double figureLow,
            Double figureHigh,
            Source source,
            DepthLayer layer) {}

    /** Keeps the list as it is now. */
    public FieldReadings {
        readings = List.copyOf(readings);
    }

    /**
     * The field's texture class: what most stops show, of equally many the first by name; what is written of the field
     * where none was felt.
     *
     * @param written a texture class, or {@code null}
     */
    public String texture(String written) {
        Map<String, Integer> seen = new LinkedHashMap<>();
        readings.stream()
                .filter(reading -> reading.indicator().equals(TEXTURE) && reading.code() != null)
                .forEach(reading -> seen.merge(reading.code(), 1, Integer::sum));
        return seen.entrySet().stream()
                .min(Comparator.comparing((Map.Entry<String, Integer> each) -> -each.getValue())
                        .thenComparing(Map.Entry::getKey))
                .map(Map.Entry::getKey)
                .orElse(written);
    }

    /** Median figure of an indicator in the topsoil over the stops; {@code null} where none was read. */
    public Double figure(String indicator) {
        return middle(indicator, Reading::figure);
    }

    /** Median figure of what is read through all depths at once, such as where a probe stops; {@code null} where none was. */
    public Double figureOfProfile(String indicator) {
        return Sample.medianOrNull(readings.stream()
                .filter(reading -> reading.indicator().equals(indicator) && reading.standing() != null)
                .map(Reading::figure)
                .filter(Objects::nonNull)
                .toList());
    }

    /** Median standing of an indicator over the stops; {@code null} where none was judged. */
    public Double standing(String indicator) {
        return middle(indicator, Reading::standing);
    }

    /** The newest judged reading of an indicator in the topsoil; {@code null} where there is none. */
    public Reading newest(String indicator) {
        return judged(indicator).findFirst().orElse(null);
    }

    private Double middle(String indicator, Function<Reading, Double> value) {
        return Sample.medianOrNull(
                judged(indicator).map(value).filter(Objects::nonNull).toList());
    }

    private Stream<Reading> judged(String indicator) {
        return readings.stream()
                .filter(reading -> reading.indicator().equals(indicator) && reading.standing() != null)
                .filter(reading -> !DepthLayer.isSubsoil(reading.layer()));
    }
}
