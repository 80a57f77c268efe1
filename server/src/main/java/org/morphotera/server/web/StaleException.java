package org.morphotera.server.web;

/** A write that did not know the newest version; answers 409 with both, so that the user can choose. */
public class StaleException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient Object yours;
    private final transient Object current;

    public StaleException(Object yours, Object current) {
        super(
                "It was changed in the meantime. Look at both versions and send the one you want with the newest version number.");
        this.yours = yours;
        this.current = current;
    }

    public Object yours() {
        return yours;
    }

    public Object current() {
        return current;
    }
}
