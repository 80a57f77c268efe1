package org.morphotera.server.accounts.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.RunningApp;

/** Guessing gets slower and slower; whoever owns the account is not kept out by it. */
@ExtendWith(RunningApp.class)
@Tag("no-database")
class SignInDelaysTest {

    private final SignInMapper rows;
    private final Hands clock = new Hands();
    private final String owner = UUID.randomUUID() + "@field.example";
    private final String home = "10.0.0." + UUID.randomUUID();
    private final String away = "10.9.9." + UUID.randomUUID();

    SignInDelaysTest(SignInMapper rows) {
        this.rows = rows;
    }

    /** A clock that is set by hand. */
    private static final class Hands extends Clock {
        private Instant now = Instant.parse("2026-05-04T09:00:00Z");

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    }

    private Duration wait(String email, String address) {
        SignInDelays delays = new SignInDelays(rows, clock);
        SignInDelays.Try begun = delays.begin(email, address);
        try {
            return delays.wait(begun);
        } finally {
            delays.end(begun);
        }
    }

    /** Fails as often as it is let, and says how often that was. */
    private int fail(String email, String address, int times) {
        SignInDelays delays = new SignInDelays(rows, clock);
        int looked = 0;
        for (int i = 0; i < times; i++) {
            SignInDelays.Try begun = delays.begin(email, address);
            if (delays.wait(begun).isZero()) {
                delays.failed(begun);
                looked++;
            }
            delays.end(begun);
        }
        return looked;
    }

    private void succeed(String email, String address) {
        SignInDelays delays = new SignInDelays(rows, clock);
        SignInDelays.Try begun = delays.begin(email, address);
        delays.succeeded(begun);
        delays.end(begun);
    }

    @Test
    void theWaitGrowsWithEveryFailureAndOutlivesARestart() {
        assertThat(fail(owner, home, 100)).isEqualTo(5);
        assertThat(wait(owner, home)).isEqualTo(Duration.ofSeconds(1));
        Duration last = Duration.ZERO;
        for (int i = 0; i < 8; i++) {
            // every look is a new instance on what is stored, as after a restart
            clock.now = clock.now.plus(wait(owner, home)).plusMillis(1);
            assertThat(fail(owner, home, 10)).isEqualTo(1);
            assertThat(wait(owner, home)).isGreaterThan(last);
            last = wait(owner, home);
        }
        assertThat(last).isBetween(Duration.ofMinutes(4), Duration.ofMinutes(15));
        clock.now = clock.now.plus(Duration.ofDays(2));
        assertThat(wait(owner, home)).isZero();
    }

    @Test
    void aClockThatWasSetBackKeepsNobodyWaiting() {
        succeed(owner, home);
        clock.now = clock.now.minus(Duration.ofDays(3));
        assertThat(wait(owner, home)).isZero();
    }

    @Test
    void capitalsAreNoWayAround() {
        fail(owner, home, 5);
        assertThat(wait(" " + owner.toUpperCase(java.util.Locale.ROOT), home)).isPositive();
    }

    @Test
    void aStrangerDoesNotLockTheOwnerOut() {
        succeed(owner, home);
        for (int i = 0; i < 30; i++) {
            fail(owner, away + i, 10);
        }
        assertThat(wait(owner, home)).isZero();
        fail(owner, home, 2);
        assertThat(wait(owner, home)).as("after mistyping at a known place").isZero();
        assertThat(wait(owner, "10.1.1." + UUID.randomUUID()))
                .as("from a new place")
                .isZero();
    }

    @Test
    void manyAddressesTogetherGetSlowOnOneAccount() {
        for (int i = 0; i < 3; i++) {
            fail(owner, away + i, 5);
        }
        String next = away + "next";
        assertThat(fail(owner, next, 1)).isEqualTo(1);
        assertThat(wait(owner, next)).isPositive();
    }

    @Test
    void oneAddressGetsSlowOverManyAccountsButNotForWhoSignedInThere() {
        succeed(owner, home);
        for (int i = 0; i < 40; i++) {
            fail("other" + i + owner, home, 1);
        }
        assertThat(wait("new" + owner, home)).isPositive();
        assertThat(wait(owner, home)).isZero();
    }

    @Test
    void triesAtTheSameMomentCountForEachOther() {
        SignInDelays delays = new SignInDelays(rows, clock);
        for (int i = 0; i < 60; i++) {
            assertThat(delays.wait(delays.begin(owner, home))).isZero();
        }
        for (int i = 0; i < 6; i++) {
            delays.begin(owner, home);
        }
        assertThat(delays.wait(delays.begin(owner, home))).as("very many").isPositive();
        fail(owner, away, 1);
        for (int i = 0; i < 4; i++) {
            assertThat(delays.wait(delays.begin(owner, away))).isZero();
        }
        assertThat(delays.wait(delays.begin(owner, away)))
                .as("after a wrong one")
                .isPositive();
    }
}
