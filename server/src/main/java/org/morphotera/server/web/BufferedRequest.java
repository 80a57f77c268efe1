package org.morphotera.server.web;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.InputStreamReader;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Collections;
import java.util.Enumeration;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** A request whose body was read, to be read again; a form's parameters are taken from it. */
final class BufferedRequest extends HttpServletRequestWrapper {

    private final byte[] body;
    private final Map<String, String[]> form;

    BufferedRequest(HttpServletRequest request, byte[] body, boolean form) {
        super(request);
        this.body = body;
        this.form = form ? parameters(new String(body, StandardCharsets.UTF_8)) : null;
    }

    /** As it was sent. */
    byte[] body() {
        return body;
    }

    private static Map<String, String[]> parameters(String text) {
        return Arrays.stream(text.split("&"))
                .filter(pair -> !pair.isEmpty())
                .map(pair -> pair.split("=", 2))
                .collect(Collectors.toMap(
                        pair -> decoded(pair[0]),
                        pair -> new String[] {pair.length == 1 ? "" : decoded(pair[1])},
                        (first, second) -> first));
    }

    private static String decoded(String text) {
        return URLDecoder.decode(text, StandardCharsets.UTF_8);
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        return form == null ? super.getParameterMap() : form;
    }

    @Override
    public String getParameter(String name) {
        String[] values = getParameterValues(name);
        return values == null ? null : values[0];
    }

    @Override
    public String[] getParameterValues(String name) {
        return form == null ? super.getParameterValues(name) : form.get(name);
    }

    @Override
    public Enumeration<String> getParameterNames() {
        return form == null ? super.getParameterNames() : Collections.enumeration(List.copyOf(form.keySet()));
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
