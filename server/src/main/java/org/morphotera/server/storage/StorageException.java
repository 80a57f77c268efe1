package org.morphotera.server.storage;

/** Why the database can't be opened, as one sentence, and the way back as another. */
public class StorageException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String remedy;

    public StorageException(String what, String remedy) {
        this(what, remedy, null);
    }

    public StorageException(String what, String remedy, Throwable cause) {
        super(what, cause);
        this.remedy = remedy;
    }

    public String remedy() {
        return remedy;
    }

    /** Both sentences, to be read by whoever runs the server. */
    public String told() {
        return getMessage() + " " + remedy;
    }
}
