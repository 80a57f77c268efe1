package org.morphotera.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** One line per API request, with an id that an error page repeats. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class RequestLog extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger("org.morphotera.requests");
    private static final String ID = "request";

    /** Attributes of a request: ids of who makes it, and of their practice. */
    public static final String PERSON = RequestLog.class.getName() + ".person";

    public static final String PRACTICE = RequestLog.class.getName() + ".practice";

    private final ProblemWriter problems;

    RequestLog(ProblemWriter problems) {
        this.problems = problems;
    }

    static String currentId() {
        return MDC.get(ID);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long start = System.nanoTime();
        MDC.put(ID, UUID.randomUUID().toString().substring(0, 8));
        response.setHeader("X-Request-Id", currentId());
        try {
            chain.doFilter(request, response);
        } catch (ServletException | IOException | RuntimeException e) {
            if (response.isCommitted()) {
                throw e;
            }
            LOG.error("request {} failed", currentId(), e);
            response.resetBuffer();
            problems.write(response, HttpStatus.INTERNAL_SERVER_ERROR);
        } finally {
            if (request.getRequestURI().startsWith("/api/")) {
                LOG.info(
                        "id={} person={} practice={} from={} method={} path={} status={} ms={}",
                        currentId(),
                        known(request, PERSON),
                        known(request, PRACTICE),
                        request.getRemoteAddr(),
                        request.getMethod(),
                        path(request),
                        response.getStatus(),
                        (System.nanoTime() - start) / 1_000_000);
            }
            MDC.remove(ID);
        }
    }

    /** Secrets that stand in an address stay out of the log. */
    private static String path(HttpServletRequest request) {
        return request.getRequestURI()
                .replaceAll("[^\\x21-\\x7E]", "?")
                .replaceFirst("^/api/(invited|calendars)/.*", "/api/$1/-");
    }

    private static Object known(HttpServletRequest request, String attribute) {
        Object id = request.getAttribute(attribute);
        return id == null ? "-" : id;
    }
}
