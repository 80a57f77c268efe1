package org.morphotera.server.limits;

import java.util.List;

/**
 * The constraint that leads, by all the evidence.
 *
 * @param method that made the strongest finding for it
 * @param because the strongest findings for it
 */
public record Leading(
        String constraint,
        String sentence,
        double probability,
        String confirmation,
        String method,
        List<String> because) {}
