package org.morphotera.server.web;

import java.util.function.Supplier;
import java.util.function.ToIntFunction;

/** The one way in which rows with a version are written: new, repeated, or changed by someone who saw the newest. */
public final class Versioned {

    private Versioned() {}

    /**
     * Decides what a write means.
     *
     * @param sent the row as it would be after the write: its version is the one the client saw, plus one
     * @param stored the row in the database, or {@code null}
     * @param insert makes the row
     * @param update changes the row where the version is still the one before; says how many rows it changed
     * @return the row as stored after the write
     * @throws StaleException when the client did not know the newest version
     * @throws NotFoundException when a change is sent for a row that is not there
     */
    public static <T> T write(
            T sent, T stored, ToIntFunction<T> version, Runnable insert, Supplier<Integer> update, String what) {
        if (stored == null) {
            if (version.applyAsInt(sent) != 1) {
                throw new NotFoundException(what);
            }
            insert.run();
            return sent;
        }
        if (stored.equals(sent)) {
            return stored;
        }
        if (version.applyAsInt(sent) != version.applyAsInt(stored) + 1 || update.get() == 0) {
            throw new StaleException(sent, stored);
        }
        return sent;
    }
}
