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
class RequestLog extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger("org.morphotera.requests");
    private static final String ID = "request";

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
                        "id={} from={} method={} path={} status={} ms={}",
                        currentId(),
                        request.getRemoteAddr(),
                        request.getMethod(),
                        request.getRequestURI().replaceAll("[^\\x21-\\x7E]", "?"),
                        response.getStatus(),
                        (System.nanoTime() - start) / 1_000_000);
            }
            MDC.remove(ID);
        }
    }
}
