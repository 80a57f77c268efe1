package org.morphotera.core.limits;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Coded;

/**
 * A finding: a test result sorted into states.
 *
 * @param method that makes it; {@code observation} and {@code sheet} are no tests
 * @param group findings that measure the same thing
 * @param property what it measures: of several findings of one, the best source speaks alone
 * @param of the finding whose figure it is sorted from; itself where it has its own
 * @param against what of the crop its figure is held against before it is sorted
 * @param model indicator by whose tables its readings scatter; {@code null} for what is told as it was read
 * @param best the best figure there is, where its figure is a score; 0 where it is the figure of the indicator
 * @param unit of its figure where it is worth telling, empty for a pH; {@code null} where it is not
 * @param limits upper limits of the states but the last, with whether they are included; empty for words
 */
public record FindingKind(
        String id,
        String method,
        String group,
        String property,
        String of,
        Against against,
        @Nullable String model,
        double best,
        @Nullable String unit,
        List<String> states,
        List<Limit> limits) {

    /** Whether it is seen in walking over a place and says nothing of the next one. */
    public boolean isSign() {
        return method.equals("observation") && limits.isEmpty();
    }

    /** The state of a figure, for a crop. */
    public String stateOf(double figure, CropNeeds crop) {
        return stateOf(against.of(figure, crop));
    }

    /** The figures at which its states end, for a crop. */
    double[] ends(CropNeeds crop) {
        return limits.stream()
                .mapToDouble(each -> against.figureAt(each.below(), crop))
                .toArray();
    }

    /** The state of a figure. */
    public String stateOf(double figure) {
        for (int i = 0; i < limits.size(); i++) {
            Limit limit = limits.get(i);
            if (figure < limit.below() || limit.included() && figure == limit.below()) {
                return states.get(i);
            }
        }
        return states.get(states.size() - 1);
    }

    /** What of the crop a figure is held against. */
    public enum Against implements Coded {
        /** Nothing: the states are of the figure itself. */
        NONE,
        /** The crop's window of pH: how far outside it lies, below 0 on the sour side. */
        WINDOW,
        /** What the crop loses to salt, % of its yield, of a conductivity. */
        SALT;

        double of(double figure, CropNeeds crop) {
            return switch (this) {
                case NONE -> figure;
                case WINDOW -> crop.window().outside(figure);
                case SALT -> crop.lostPerDsM() * (figure - crop.saltFrom());
            };
        }

        /** The figure at which a limit lies. */
        double figureAt(double limit, CropNeeds crop) {
            return switch (this) {
                case NONE -> limit;
                case WINDOW ->
                    limit < 0 ? crop.window().low() + limit : crop.window().high() + limit;
                case SALT -> crop.saltFrom() + limit / crop.lostPerDsM();
            };
        }
    }

    /** Where a state ends. */
    public record Limit(double below, boolean included) {}
}
