package org.morphotera.server.storage;

import java.time.Duration;

/** What the database can do now. */
public enum StoreState {
    /** Reads and writes. */
    OPEN,
    /** Reads; its disk has no room for writes. */
    FULL,
    /** Nothing: the file was closed after a failed write and is opened again as soon as it can be. */
    CLOSED,
    /** Nothing: the database server does not answer. */
    AWAY;

    /** How long to wait before asking again. */
    public static final Duration RETRY = Duration.ofSeconds(5);

    public boolean reads() {
        return this == OPEN || this == FULL;
    }

    public boolean writes() {
        return this == OPEN;
    }
}
