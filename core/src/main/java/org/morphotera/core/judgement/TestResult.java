package org.morphotera.core.judgement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.RecordedTest;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.score.DepthBand;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/**
 * What one recorded test shows: its indicators, the class by which it is context for others, and its sightings.
 *
 * @param contextClass code, or {@code null} for a test that is no context
 */
public record TestResult(
        List<Shown> indicators,
        @Nullable String contextName,
        @Nullable String contextClass,
        String band,
        @Nullable DepthLayer layer,
        @Nullable String kind,
        Source source,
        List<Sighting> sightings) {

    /**
     * An indicator that was judged.
     *
     * @param figure with its unit and interval; {@code null} where it has only a score
     * @param points the method's own score of 2, or {@code null}
     * @param apart whether figures of other kinds mean other things
     */
    public record Shown(
            String indicator,
            Envelope.RatingText rating,
            Envelope.@Nullable Figure figure,
            @Nullable Double points,
            boolean apart) {}

    /**
     * @param readings plain tree as it was entered
     * @param layer that was sampled, or {@code null}
     */
    public static TestResult of(
            FieldMethod<?> method, Map<String, Object> readings, Envelope envelope, @Nullable DepthLayer layer) {
        RecordedTest<?> test = RecordedTest.of(method, readings, envelope, layer);
        boolean apart = method.evidence().kindsNeverCompare();
        List<Shown> found = new ArrayList<>();
        MethodCard card = method.card();
        for (MethodCard.Indicator indicator : card.indicators()) {
            Envelope.RatingText rating = test.hides(indicator.id()) ? null : envelope.standing(indicator.id());
            if (rating != null) {
                found.add(new Shown(
                        indicator.id(),
                        rating,
                        indicator.figure() == null ? null : envelope.values().get(indicator.figure()),
                        points(envelope, indicator.id()),
                        apart));
            }
        }
        DepthLayer rated = test.rated();
        return new TestResult(
                found,
                card.contextClass(),
                card.contextClass() != null && method.contextCode(envelope) instanceof String code ? code : null,
                DepthBand.ofMiddle(rated).code(),
                rated,
                test.kind(),
                test.source(),
                test.sightings());
    }

    /** Codes of what was noted on it, and of what it was read by. */
    public Set<String> marks() {
        return sightings.stream().flatMap(each -> each.marks().stream()).collect(Collectors.toSet());
    }

    /** The score of 2 that the method itself gives an indicator. */
    private static @Nullable Double points(Envelope envelope, String indicator) {
        return envelope.ratings().stream()
                .filter(rating -> rating.indicator().equals(indicator)
                        && rating.school().equals("points")
                        && rating.score() != null)
                .map(Envelope.RatingText::score)
                .findFirst()
                .orElse(null);
    }
}
