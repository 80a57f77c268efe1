package org.morphotera.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.SocketTimeoutException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.reading.FaultText;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.WebUtils;

/**
 * Takes bodies in, and looks at every text that comes with a request. A body is read whole before anything is done with
 * it: at most so large, so long, and so many of one address at once, so that slow senders keep nobody else waiting.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class Bodies extends OncePerRequestFilter {

    private static final String SIGN_IN = "/api/session";
    private static final int PIECE = 8192;

    /** How large, how slow and how many at once of one address. */
    private record Bound(int bytes, Duration within, int atOnce) {}

    private static final Bound FORM = new Bound(8 * 1024, Duration.ofSeconds(10), 8);
    private static final Bound OPEN = new Bound(256 * 1024, Duration.ofSeconds(10), 8);
    private static final Bound LARGE_OPEN = new Bound(1024 * 1024, Duration.ofSeconds(20), 4);
    /** Two pictures of a megabyte each, as base64. */
    private static final Bound PICTURES = new Bound(3 * 1024 * 1024, Duration.ofSeconds(60), 4);

    private static final Bound SIGNED_IN = new Bound(1024 * 1024, Duration.ofSeconds(60), 16);

    /** Open calls that take a field's outline, or all of a field. */
    private static final Set<String> LARGE = Set.of("/api/calculators/stop-placement", "/api/judgements");

    private final ProblemWriter problems;
    private final Map<String, Integer> reading = new ConcurrentHashMap<>();

    Bodies(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        // files go straight to the disk, bounded by whoever takes them in
        return !request.getRequestURI().startsWith("/api/")
                || request.getRequestURI().equals("/api/uploads");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean none = request.getContentLengthLong() <= 0 && request.getHeader("Transfer-Encoding") == null
                || "GET".equals(request.getMethod());
        String type = request.getContentType();
        if (!none && type != null && type.contains("*")) {
            hangUp(request, response);
            problems.write(
                    response,
                    HttpStatus.UNSUPPORTED_MEDIA_TYPE,
                    "The kind of the content must be named, such as application/json.");
            return;
        }
        HttpServletRequest taken = none ? request : taken(request, response);
        if (taken == null) {
            return;
        }
        FaultText fault = fault(taken);
        if (fault != null) {
            problems.refuse(response, List.of(fault));
            return;
        }
        chain.doFilter(taken, response);
    }

    /** The request with its body at hand, or {@code null} when it was refused. */
    private @Nullable HttpServletRequest taken(HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        Bound bound = bound(request);
        String who = request.getRemoteAddr();
        if (reading.merge(who, 1, Integer::sum) > bound.atOnce()) {
            leave(who);
            response.setHeader(HttpHeaders.RETRY_AFTER, "2");
            hangUp(request, response);
            problems.write(
                    response,
                    HttpStatus.TOO_MANY_REQUESTS,
                    "Too many requests of this address are still being sent. Finish those first.");
            return null;
        }
        try {
            byte[] body = read(request.getInputStream(), bound);
            if (body.length > bound.bytes()) {
                hangUp(request, response);
                problems.write(
                        response,
                        HttpStatus.CONTENT_TOO_LARGE,
                        "At most " + bound.bytes() / 1024 + " kB. Send less at a time.");
                return null;
            }
            return new BufferedRequest(request, body, isForm(request));
        } catch (IllegalArgumentException e) {
            problems.refuse(response, List.of(new FaultText("", "TEXT", "The form can't be read. Send it again.")));
            return null;
        } catch (SocketTimeoutException e) {
            hangUp(request, response);
            problems.write(response, HttpStatus.REQUEST_TIMEOUT, "The request took too long to arrive. Send it again.");
            return null;
        } finally {
            leave(who);
        }
    }

    /** What is still to come of the body is not waited for. */
    private static void hangUp(HttpServletRequest request, HttpServletResponse response) {
        response.setHeader(HttpHeaders.CONNECTION, "close");
        if (request.getAttribute(Unread.LEAVE) instanceof Runnable leave) {
            leave.run();
        }
    }

    private void leave(String who) {
        reading.computeIfPresent(who, (address, count) -> count <= 1 ? null : count - 1);
    }

    private static byte[] read(InputStream in, Bound bound) throws IOException {
        long until = System.nanoTime() + bound.within().toNanos();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        byte[] piece = new byte[PIECE];
        for (int read = in.read(piece); read >= 0; read = in.read(piece)) {
            body.write(piece, 0, read);
            if (body.size() > bound.bytes()) {
                break;
            }
            if (System.nanoTime() > until) {
                throw new SocketTimeoutException("too slow");
            }
        }
        return body.toByteArray();
    }

    private static Bound bound(HttpServletRequest request) {
        if (isForm(request)) {
            return FORM;
        }
        if (LARGE.contains(request.getRequestURI())) {
            return LARGE_OPEN;
        }
        boolean known = WebUtils.getCookie(request, OpenCalls.SESSION_COOKIE) != null;
        if (known && hasPictures(request)) {
            return PICTURES;
        }
        return OpenCalls.matches(request) || !known ? OPEN : SIGNED_IN;
    }

    private static boolean hasPictures(HttpServletRequest request) {
        return request.getRequestURI().startsWith("/api/photo-readings/");
    }

    private static boolean isForm(HttpServletRequest request) {
        String type = request.getContentType();
        return request.getRequestURI().equals(SIGN_IN)
                && type != null
                && type.startsWith("application/x-www-form-urlencoded");
    }

    private static @Nullable FaultText fault(HttpServletRequest request) {
        FaultText fault;
        try {
            fault = TextRule.inParameters(request.getParameterMap());
        } catch (IllegalStateException | IllegalArgumentException e) {
            return new FaultText("", "TEXT", "The address is not written in UTF-8. Correct it.");
        }
        String type = request.getContentType();
        boolean json = type == null || type.contains("json");
        return fault == null && json && request instanceof BufferedRequest taken
                ? TextRule.inJson(taken.body(), hasPictures(request) ? PICTURES.bytes() : TextRule.LONGEST)
                : fault;
    }
}
