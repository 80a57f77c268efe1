package org.morphotera.server.storage;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.Set;
import org.morphotera.server.web.OpenCalls;
import org.morphotera.server.web.ProblemWriter;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Answers at once while the database can't do what is asked, and tells its failures from those of a request. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 5)
class StoreGuard extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(StoreGuard.class);
    private static final Set<String> READS = Set.of("GET", "HEAD", "OPTIONS");

    private static final int BUSY_SECONDS = 2;
    private static final String BUSY = "The server has more to do at this moment than it can: nothing was stored. "
            + "Send again in a moment; what is kept on this device is sent by itself.";

    /** Leaving is always allowed: it takes a row away. */
    private static final String SIGN_OUT = "/api/session/end";

    private final Store store;
    private final ProblemWriter problems;

    StoreGuard(Store store, ProblemWriter problems) {
        this.store = store;
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!request.getRequestURI().startsWith("/api/")) {
            chain.doFilter(new Nobodys(request), response);
            return;
        }
        boolean reads = READS.contains(request.getMethod())
                || OpenCalls.matches(request)
                || request.getRequestURI().equals(SIGN_OUT);
        StoreState now = store.state();
        if (!now.reads() || !reads && !now.writes()) {
            refuse(response, now);
            return;
        }
        try {
            Connections.answer(chain, request, response);
        } catch (ServletException | IOException | RuntimeException e) {
            if (!failed(response, e)) {
                throw e;
            }
        }
    }

    /** The page itself and the server's health are the same for everyone: nobody is looked up in the database for them. */
    private static final class Nobodys extends HttpServletRequestWrapper {

        Nobodys(HttpServletRequest request) {
            super(request);
        }

        @Override
        public Cookie[] getCookies() {
            Cookie[] all = super.getCookies();
            return all == null
                    ? null
                    : Arrays.stream(all)
                            .filter(each -> !each.getName().equals(OpenCalls.SESSION_COOKIE))
                            .toArray(Cookie[]::new);
        }
    }

    /**
     * The answer to a request that met a failure of the database, or found no connection free.
     *
     * @return whether it was one of these
     */
    boolean failed(HttpServletResponse response, Exception e) throws IOException {
        if (StoreFailure.busy(e)) {
            LOG.warn("no connection was free: {}", e.toString());
            if (!response.isCommitted()) {
                response.resetBuffer();
                response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(BUSY_SECONDS));
                problems.write(response, HttpStatus.SERVICE_UNAVAILABLE, BUSY);
            }
            return true;
        }
        if (!StoreFailure.is(e)) {
            return false;
        }
        LOG.warn("the database failed: {}", e.toString());
        store.suspect();
        if (!response.isCommitted()) {
            response.resetBuffer();
            refuse(response, store.afterFailure());
        }
        return true;
    }

    private void refuse(HttpServletResponse response, StoreState now) throws IOException {
        response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(StoreState.RETRY.toSeconds()));
        problems.write(
                response,
                now == StoreState.FULL ? HttpStatus.INSUFFICIENT_STORAGE : HttpStatus.SERVICE_UNAVAILABLE,
                told(now));
    }

    /** What the person at the page can do about it. */
    private String told(StoreState now) {
        return switch (now) {
            case FULL ->
                "The disk of the server is full: nothing was stored. Free at least "
                        + (store.reserve() >> 20)
                        + " MB on it; what is kept on this device is sent by itself then.";
            case AWAY ->
                "The database does not answer: nothing was stored. Send again in a moment; "
                        + "what is kept on this device is sent by itself once it is back.";
            default ->
                "The database is closed after a failure of its disk: nothing was stored. It is opened again "
                        + "as soon as the disk can be written to; what is kept on this device is sent by itself then.";
        };
    }
}
