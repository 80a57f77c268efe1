package org.morphotera.server.accounts.session;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.Set;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.web.OpenCalls;
import org.morphotera.server.web.ProblemWriter;
import org.morphotera.server.web.RequestLog;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Puts the person as they are now in the place of the one who signed in: what changed of a role, a password or a practice
 * holds from the next request on, on every server that works on the same data.
 */
class PresentPerson extends OncePerRequestFilter {

    /** What somebody may do before they chose a password of their own. */
    private static final Set<String> BEFORE_THE_CHANGE = Set.of("/api/session", "/api/session/end", "/api/me/password");

    private final PresentPeople people;
    private final ProblemWriter problems;

    PresentPerson(PresentPeople people, ProblemWriter problems) {
        this.people = people;
        this.problems = problems;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/") || OpenCalls.matches(request);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication before = SecurityContextHolder.getContext().getAuthentication();
        if (before == null || !(before.getPrincipal() instanceof Advisor signedIn)) {
            chain.doFilter(request, response);
            return;
        }
        AccountMapper.Status now = people.of(signedIn);
        if (now == null) {
            HttpSession session = request.getSession(false);
            if (session != null) {
                session.invalidate();
            }
            SecurityContextHolder.clearContext();
            chain.doFilter(request, response);
            return;
        }
        request.setAttribute(RequestLog.PERSON, signedIn.id());
        request.setAttribute(RequestLog.PRACTICE, now.practiceId());
        if (now.mustChange() && !BEFORE_THE_CHANGE.contains(request.getRequestURI())) {
            problems.write(
                    response,
                    HttpStatus.FORBIDDEN,
                    "Choose a password of your own first: this one was made up for you.");
            return;
        }
        Advisor present = signedIn.as(now.practiceId(), now.role(), now.name());
        SecurityContext context = new SecurityContextImpl(
                UsernamePasswordAuthenticationToken.authenticated(present, null, present.getAuthorities()));
        SecurityContextHolder.setContext(context);
        chain.doFilter(request, response);
    }
}
