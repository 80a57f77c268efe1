package org.morphotera.server.plans;

import org.jspecify.annotations.Nullable;

/**
 * What could be done by what was measured, for paper.
 *
 * @param against the limit that it answers
 * @param patch that it is for, in words
 * @param amount with its range and in how many passes
 * @param first what to have confirmed before
 * @param spares how much of the yield
 */
public record PlannedOption(
        String title,
        String against,
        @Nullable String patch,
        @Nullable String amount,
        @Nullable String first,
        @Nullable String spares,
        @Nullable String when,
        @Nullable String again) {}
