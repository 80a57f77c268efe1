package org.morphotera.training;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.Unit;

/**
 * What a made-up place is drawn from: the same deal is the same place, day and readings.
 *
 * @param seed shown to the learner, so that a round can be played again
 * @param like a real field that it resembles, or {@code null}
 */
public record Deal(int seed, Difficulty level, Like like) {

    private static final int LARGEST_SEED = 999_999;

    /** What is believed of a constraint of the real field, 0..1. */
    record Suspected(Constraint constraint, double probability) {}

    /**
     * A field that is resembled, and not copied: what limits it is drawn by what is believed of it.
     *
     * @param texture or {@code null}
     */
    record Like(LandUse landUse, TextureClass texture, List<Suspected> suspected) {

        Map<Constraint, Double> probabilities() {
            Map<Constraint, Double> map = new LinkedHashMap<>();
            suspected.forEach(each -> map.put(each.constraint(), each.probability()));
            return map;
        }
    }

    static Deal read(Fields fields) {
        return new Deal(
                fields.count("seed", Range.between(0, LARGEST_SEED), Need.REQUIRED),
                fields.word("level", List.of(Difficulty.values()), Need.REQUIRED),
                fields.group("like", Need.OPTIONAL, Deal::like));
    }

    private static Like like(Fields fields) {
        List<Suspected> suspected = fields.list(
                "suspected",
                Range.between(0, Constraint.values().length),
                Need.OPTIONAL,
                each -> new Suspected(
                        each.word("constraint", List.of(Constraint.values()), Need.REQUIRED),
                        each.number("probability", Unit.NONE, Range.between(0, 1), Need.REQUIRED)));
        return new Like(
                fields.word("landUse", List.of(LandUse.values()), Need.OPTIONAL),
                fields.word("textureClass", List.of(TextureClass.values()), Need.OPTIONAL),
                suspected == null ? List.of() : new ArrayList<>(suspected));
    }
}
