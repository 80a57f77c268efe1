package org.morphotera.server.accounts.session;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/** Where a person is signed in. */
@Component
public class OpenSessions {

    private static final String DEVICE = "device";
    private static final String ADDRESS = "address";
    private static final int LONGEST_DEVICE = 300;

    private final FindByIndexNameSessionRepository<? extends Session> sessions;

    OpenSessions(FindByIndexNameSessionRepository<? extends Session> sessions) {
        this.sessions = sessions;
    }

    /**
     * @param id a hash: what a session goes by is told to nobody
     * @param device how the browser names itself
     */
    record Open(
            String id,
            boolean own,
            @Nullable String device,
            @Nullable String address,
            Instant since,
            Instant lastUsed) {}

    /** Notes from where a session was begun. */
    static void note(HttpServletRequest request) {
        HttpSession session = request.getSession();
        String device = request.getHeader("User-Agent");
        if (device != null) {
            session.setAttribute(
                    DEVICE, device.length() > LONGEST_DEVICE ? device.substring(0, LONGEST_DEVICE) : device);
        }
        session.setAttribute(ADDRESS, request.getRemoteAddr());
    }

    List<Open> of(String email, String ownId) {
        return sessions.findByPrincipalName(email).values().stream()
                .filter(session -> !session.isExpired())
                .map(session -> new Open(
                        Secrets.hash(session.getId()),
                        session.getId().equals(ownId),
                        session.getAttribute(DEVICE),
                        session.getAttribute(ADDRESS),
                        session.getCreationTime(),
                        session.getLastAccessedTime()))
                .sorted(Comparator.comparing(Open::own)
                        .thenComparing(Open::lastUsed)
                        .reversed())
                .toList();
    }

    /** @return whether there was one */
    boolean end(String email, String hash) {
        Map<String, ? extends Session> open = sessions.findByPrincipalName(email);
        return open.keySet().stream()
                        .filter(id -> Secrets.hash(id).equals(hash))
                        .peek(sessions::deleteById)
                        .count()
                > 0;
    }

    /** @param but this one; {@code null} for all */
    public void endAll(String email, @Nullable String but) {
        sessions.findByPrincipalName(email).keySet().stream()
                .filter(id -> !id.equals(but))
                .forEach(sessions::deleteById);
    }
}
