package org.morphotera.server.web;

import jakarta.servlet.http.HttpServletRequest;

/** Calls that compute and store nothing, and so need neither session nor CSRF token. */
public final class OpenCalls {

    /** Name of the cookie that a session goes by, as the settings give it. */
    public static final String SESSION_COOKIE = "morphotera-session";

    private OpenCalls() {}

    public static boolean matches(HttpServletRequest request) {
        String path = request.getRequestURI();
        boolean post = "POST".equals(request.getMethod());
        boolean plan = post && (path.startsWith("/api/calculators/") || path.equals("/api/judgements"));
        return plan || path.startsWith("/api/methods/") && path.endsWith("/evaluate");
    }
}
