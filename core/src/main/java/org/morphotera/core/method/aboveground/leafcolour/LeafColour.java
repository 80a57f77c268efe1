package org.morphotera.core.method.aboveground.leafcolour;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/** What the colour of leaves lets one suspect; never more than a suspicion. */
public final class LeafColour implements FieldMethod<LeafColour.Readings> {

    /** A sign on the leaves, with the nutrients it lets one suspect. */
    public enum Sign implements Coded {
        EVEN_GREEN,
        PALE_OLD_LEAVES("nitrogen"),
        PALE_YOUNG_LEAVES("sulfur", "iron"),
        PURPLE("phosphorus"),
        YELLOW_EDGES("potassium"),
        SCORCHED_EDGES("potassium"),
        STRIPES("magnesium", "manganese"),
        STUNTED;

        private final List<String> suspects;

        Sign(String... suspects) {
            this.suspects = List.of(suspects);
        }
    }

    /** Which plants were looked at. */
    public enum Where implements Coded {
        COVER,
        CROP
    }

    /**
     * @param signs what is seen on the leaves, each once
     * @param whether on the cover or the crop; {@code null} where nobody said
     */
    public record Readings(List<Sign> signs, Where where) {}

    @Override
    public MethodCard card() {
        return new MethodCard(
                "leaf-colour",
                Family.ABOVE_GROUND,
                List.of(new MethodCard.Indicator("leaf-colour", null)),
                null,
                2,
                null,
                null,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.words("signs", List.of(Sign.values()), false, Range.LIST, Need.REQUIRED),
                fields.word("where", List.of(Where.values()), Need.OPTIONAL));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Set<String> suspects = new LinkedHashSet<>();
        int signs = 0;
        for (Sign sign : readings.signs()) {
            suspects.addAll(sign.suspects);
            signs += sign == Sign.EVEN_GREEN ? 0 : 1;
        }
        double standing = signs == 0 ? 1 : signs == 1 ? 0.5 : 0.25;
        return Evaluation.of("leaf-colour")
                .codes("suspects", List.copyOf(suspects))
                .level("leaf-colour", standing, null, null, Map.of("signs", signs))
                .working(
                        "leafColour",
                        Map.of("signs", signs),
                        standing,
                        Unit.NONE,
                        "Working rule: signs beside even green")
                .note("CONFIRM_BY_TISSUE_TEST", Severity.INFO)
                .build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new LeafColourEvidence();
    }
}
