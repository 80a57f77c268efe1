package org.morphotera.server.accounts.session;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;

/**
 * How long to wait before another password is tried: growing with the failures of an account from an address, of an
 * address over all accounts, and of an account over all addresses. The last two hold only for addresses that failed
 * before and from which that account was never signed in to, so that a stranger can't lock the owner out.
 */
@Component
public class SignInDelays {

    private static final String ALL = "*";
    private static final int AT_ONCE = 60;
    private static final Duration REMEMBERED = Duration.ofDays(1);
    private static final Duration KNOWN = Duration.ofDays(400);

    /** So many failures are free, then the wait doubles from a second up to the longest. */
    private record Growth(int free, Duration longest) {

        Duration after(int failures) {
            if (failures < free) {
                return Duration.ZERO;
            }
            long seconds = 1L << Math.min(failures - free, 20);
            return seconds > longest.toSeconds() ? longest : Duration.ofSeconds(seconds);
        }
    }

    private static final Growth PAIR = new Growth(5, Duration.ofMinutes(15));
    private static final Growth ADDRESS = new Growth(20, Duration.ofMinutes(15));
    private static final Growth ACCOUNT = new Growth(10, Duration.ofMinutes(1));

    private final SignInMapper rows;
    private final Clock clock;
    private final Map<String, Integer> trying = new ConcurrentHashMap<>();

    public SignInDelays(SignInMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** One try under way: those of the same account and address at the same time count as failures of each other once one has failed, or
     * when there are very many. */
    public record Try(String account, String address) {
        private String pair() {
            return account + address;
        }
    }

    /** Begins a try. {@link #end} must follow. */
    public Try begin(String email, String address) {
        Try begun = new Try(hash(email.strip().toLowerCase(Locale.ROOT)), hash(address));
        trying.merge(begun.pair(), 1, Integer::sum);
        return begun;
    }

    public void end(Try begun) {
        trying.computeIfPresent(begun.pair(), (pair, count) -> count <= 1 ? null : count - 1);
    }

    /** How long this try must still wait; zero when the password may be looked at. */
    Duration wait(Try begun) {
        int others = trying.getOrDefault(begun.pair(), 1) - 1;
        SignInMapper.Row pair = rows.row(begun.account(), begun.address());
        SignInMapper.Row address = rows.row(ALL, begun.address());
        Duration own = left(pair, PAIR, others);
        if (pair != null && pair.succeeded() || address == null || address.failures() == 0) {
            return longer(own, Duration.ZERO);
        }
        return longer(own, longer(left(address, ADDRESS, 0), left(rows.row(begun.account(), ALL), ACCOUNT, 0)));
    }

    private Duration left(SignInMapper.Row row, Growth growth, int others) {
        Instant now = clock.instant();
        boolean recent = row != null && row.lastAt().isAfter(now.minus(REMEMBERED));
        int before = recent ? row.failures() : 0;
        // several devices of one person may sign in at once; not so where a password was wrong already
        int failures = before + (before == 0 ? Math.max(0, others - AT_ONCE) : others);
        // a clock that was set back keeps nobody waiting
        Instant since = recent && row.lastAt().isBefore(now) ? row.lastAt() : now;
        Duration wait = growth.after(failures);
        return wait.isZero() ? wait : Duration.between(now, since.plus(wait));
    }

    private static Duration longer(Duration one, Duration other) {
        Duration longest = one.compareTo(other) > 0 ? one : other;
        return longest.isNegative() ? Duration.ZERO : longest;
    }

    public void failed(Try begun) {
        Instant now = clock.instant();
        rows.forget(now.minus(REMEMBERED), now.minus(KNOWN));
        count(begun.account(), begun.address(), now);
        count(ALL, begun.address(), now);
        count(begun.account(), ALL, now);
    }

    private void count(String account, String address, Instant now) {
        if (rows.addFailure(account, address, now) == 0) {
            try {
                rows.insert(account, address, 1, now, false);
            } catch (DuplicateKeyException e) {
                rows.addFailure(account, address, now);
            }
        }
    }

    /** Clears what failed for this account from this address, and remembers that the account is signed in to from it. */
    public void succeeded(Try begun) {
        Instant now = clock.instant();
        if (rows.succeed(begun.account(), begun.address(), now) == 0) {
            try {
                rows.insert(begun.account(), begun.address(), 0, now, true);
            } catch (DuplicateKeyException e) {
                rows.succeed(begun.account(), begun.address(), now);
            }
        }
    }

    private static String hash(String text) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            return HexFormat.of().formatHex(digest.digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
