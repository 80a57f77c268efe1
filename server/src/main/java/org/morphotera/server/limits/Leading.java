package org.morphotera.server.limits;

import java.util.List;

/**
 * The constraint that leads, by all the evidence.
 *
 * @param because the strongest findings for it
 */
public record Leading(
        String constraint, String sentence, double probability, String confirmation, List<String> because) {}
