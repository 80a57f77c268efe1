package org.morphotera.core.method;

import java.util.List;

/**
 * What is known of a method without readings. Its texts (title, materials, steps, conditions, cautions, sources)
 * stand in the message catalogue under its id.
 *
 * @param id such as {@code hole-drainage}
 * @param indicators the indicators it rates; empty for a method that is context for others
 * @param contextClass the class by which it is context for others, such as {@code textureClass}; or {@code null}
 * @param handsOnMinutes a person's work, waits left out
 * @param usualTopMm usual top of the sampled layer; {@code null} for a method without a layer
 * @param usualBottomMm usual bottom of the sampled layer
 * @param timedSteps moments that a clock should call out
 */
public record MethodCard(
        String id,
        Family family,
        List<Indicator> indicators,
        String contextClass,
        int handsOnMinutes,
        Integer usualTopMm,
        Integer usualBottomMm,
        List<TimedStep> timedSteps) {

    /**
     * What a method rates.
     *
     * @param figure the value that the rating stands on, shown beside it
     */
    public record Indicator(String id, String figure) {}

    /** Keeps the lists as they are now. */
    public MethodCard {
        indicators = List.copyOf(indicators);
        timedSteps = List.copyOf(timedSteps);
    }

    /** Where its data files lie: {@code family/id}, beside the class. */
    public String folder() {
        return family.folder() + "/" + id.replace("-", "");
    }
}
