package org.morphotera.server.web;

import java.time.Duration;
import java.time.Instant;

/** Moments that a device names: its clock may be wrong, and what was done with it is sound all the same. */
public final class Moments {

    /** How far a device's clock may be ahead, days; beyond it no clock is meant. */
    public static final int DAYS_AHEAD = 400;

    /** Within this a clock is fast, and its moments keep their order; nothing is recorded from beyond it. */
    public static final Duration FAST = Duration.ofHours(1);

    private Moments() {}

    /** The moment itself, or the one at which it arrived where the device's clock is ahead of that. */
    public static Instant notAhead(Instant said, Instant arrived) {
        return said.isAfter(arrived.plus(FAST)) ? arrived : said;
    }
}
