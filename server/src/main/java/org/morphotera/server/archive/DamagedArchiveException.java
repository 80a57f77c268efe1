package org.morphotera.server.archive;

/** An archive that can't be restored; the message says where it is wrong and what to do. */
class DamagedArchiveException extends Exception {

    private static final long serialVersionUID = 1L;

    private final String place;

    /** @param place the entry of the archive, with the line where there is one */
    DamagedArchiveException(String place, String message, Throwable cause) {
        super(message, cause);
        this.place = place;
    }

    DamagedArchiveException(String place, String message) {
        this(place, message, null);
    }

    String place() {
        return place;
    }

    /** Place and message as one sentence. */
    String told() {
        return (place.isEmpty() ? "" : place + ": ") + getMessage();
    }
}
