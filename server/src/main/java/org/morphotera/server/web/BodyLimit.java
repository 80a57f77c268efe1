package org.morphotera.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses bodies that are too large, whether or not they announce their length: 64 kB for open calls, else 1 MB. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class BodyLimit extends OncePerRequestFilter {

    private static final int OPEN_CALLS = 64 * 1024;
    private static final int OTHERS = 1024 * 1024;

    private final ProblemWriter problems;

    BodyLimit(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        boolean hasBody = request.getContentLengthLong() != 0 || request.getHeader("Transfer-Encoding") != null;
        String type = request.getContentType();
        boolean form =
                type != null && type.startsWith("application/x-www-form-urlencoded") && !OpenCalls.matches(request);
        return !hasBody || form || !request.getRequestURI().startsWith("/api/") || "GET".equals(request.getMethod());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        int limit = OpenCalls.matches(request) ? OPEN_CALLS : OTHERS;
        byte[] body = request.getInputStream().readNBytes(limit + 1);
        if (body.length > limit) {
            problems.write(
                    response, HttpStatus.CONTENT_TOO_LARGE, "At most " + limit / 1024 + " kB. Send less at a time.");
            return;
        }
        chain.doFilter(new Buffered(request, body), response);
    }

    private static final class Buffered extends HttpServletRequestWrapper {

        private final byte[] body;

        Buffered(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            ByteArrayInputStream in = new ByteArrayInputStream(body);
            return new ServletInputStream() {
                @Override
                public boolean isFinished() {
                    return in.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new UnsupportedOperationException("read at once");
                }

                @Override
                public int read() {
                    return in.read();
                }

                @Override
                public int read(byte[] into, int from, int length) {
                    return in.read(into, from, length);
                }
            };
        }

        @Override
        public BufferedReader getReader() {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }
}
