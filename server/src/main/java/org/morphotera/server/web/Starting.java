package org.morphotera.server.web;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What the server is still busy with before anybody can sign in. */
@Component
public class Starting {

    /**
     * How far it is.
     *
     * @param what is being done, in words
     */
    public record StartStep(String what, int done, int of) {}

    private volatile @Nullable StartStep step;

    /** Tells how far it is; nobody can sign in until the application is ready. */
    public void at(String what, int done, int of) {
        step = new StartStep(what, done, of);
    }

    @EventListener(ApplicationReadyEvent.class)
    void over() {
        step = null;
    }

    /** {@code null} once everything is there. */
    public @Nullable StartStep now() {
        return step;
    }
}
