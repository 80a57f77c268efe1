package org.morphotera.server.accounts.session;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.stereotype.Component;

/**
 * Sessions in the database, where it is noted once a minute that one is used, and not with every request: a read then
 * writes nothing.
 */
final class QuietSessions implements FindByIndexNameSessionRepository<QuietSessions.Quiet> {

    /** Puts them around those that the framework makes. */
    @Component
    static final class Around implements BeanPostProcessor {

        @Override
        public Object postProcessAfterInitialization(Object bean, String name) {
            return bean instanceof JdbcIndexedSessionRepository stored ? new QuietSessions(stored) : bean;
        }
    }

    private static final Duration NOTED = Duration.ofMinutes(1);

    private final FindByIndexNameSessionRepository<Session> stored;

    @SuppressWarnings("unchecked")
    private QuietSessions(JdbcIndexedSessionRepository stored) {
        this.stored = (FindByIndexNameSessionRepository<Session>) (FindByIndexNameSessionRepository<?>) stored;
    }

    @Override
    public Quiet createSession() {
        return new Quiet(stored.createSession());
    }

    @Override
    public void save(Quiet session) {
        stored.save(session.inner);
    }

    @Override
    public Quiet findById(String id) {
        Session found = stored.findById(id);
        return found == null ? null : new Quiet(found);
    }

    @Override
    public void deleteById(String id) {
        stored.deleteById(id);
    }

    @Override
    public Map<String, Quiet> findByIndexNameAndIndexValue(String name, String value) {
        return stored.findByIndexNameAndIndexValue(name, value).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, each -> new Quiet(each.getValue())));
    }

    /** A stored session that is told only now and then that it is used. */
    static final class Quiet implements Session {

        private final Session inner;

        private Quiet(Session inner) {
            this.inner = inner;
        }

        @Override
        public void setLastAccessedTime(Instant at) {
            if (at.isAfter(inner.getLastAccessedTime().plus(NOTED))) {
                inner.setLastAccessedTime(at);
            }
        }

        @Override
        public String getId() {
            return inner.getId();
        }

        @Override
        public String changeSessionId() {
            return inner.changeSessionId();
        }

        @Override
        public <T> T getAttribute(String name) {
            return inner.getAttribute(name);
        }

        @Override
        public Set<String> getAttributeNames() {
            return inner.getAttributeNames();
        }

        @Override
        public void setAttribute(String name, Object value) {
            inner.setAttribute(name, value);
        }

        @Override
        public void removeAttribute(String name) {
            inner.removeAttribute(name);
        }

        @Override
        public Instant getCreationTime() {
            return inner.getCreationTime();
        }

        @Override
        public Instant getLastAccessedTime() {
            return inner.getLastAccessedTime();
        }

        @Override
        public void setMaxInactiveInterval(Duration interval) {
            inner.setMaxInactiveInterval(interval);
        }

        @Override
        public Duration getMaxInactiveInterval() {
            return inner.getMaxInactiveInterval();
        }

        @Override
        public boolean isExpired() {
            return inner.isExpired();
        }
    }
}
