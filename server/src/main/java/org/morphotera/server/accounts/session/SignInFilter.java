package org.morphotera.server.accounts.session;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.morphotera.server.web.ProblemWriter;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;

/** Keeps guessing of passwords slow; stands before the one that looks at them. */
class SignInFilter extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(SignInFilter.class);

    /** Of a request whose password was right, and only a code is still asked for. */
    static final String NOT_GUESSED = SignInFilter.class.getName() + ".notGuessed";

    private final SignInDelays delays;
    private final ProblemWriter problems;

    SignInFilter(SignInDelays delays, ProblemWriter problems) {
        this.delays = delays;
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !(request.getRequestURI().equals("/api/session") && "POST".equals(request.getMethod()));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String email = request.getParameter("email");
        SignInDelays.Try begun = delays.begin(email == null ? "" : email, request.getRemoteAddr());
        try {
            Duration wait = delays.wait(begun);
            if (!wait.isZero()) {
                long seconds = wait.toSeconds() + 1;
                LOG.info("a sign-in from {} has to wait {} s", request.getRemoteAddr(), seconds);
                response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(seconds));
                problems.write(
                        response,
                        HttpStatus.TOO_MANY_REQUESTS,
                        "Too many sign-ins failed. Try again in " + told(seconds) + ".");
                return;
            }
            chain.doFilter(request, response);
            if (response.getStatus() == HttpStatus.NO_CONTENT.value()) {
                delays.succeeded(begun);
            } else if (response.getStatus() == HttpStatus.UNAUTHORIZED.value()
                    && !Boolean.TRUE.equals(request.getAttribute(NOT_GUESSED))) {
                LOG.info("a sign-in from {} failed", request.getRemoteAddr());
                delays.failed(begun);
            }
        } finally {
            delays.end(begun);
        }
    }

    private static String told(long seconds) {
        return seconds == 1 ? "a second" : seconds < 120 ? seconds + " seconds" : seconds / 60 + " minutes";
    }
}
