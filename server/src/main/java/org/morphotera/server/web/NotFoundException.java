package org.morphotera.server.web;

/** Something that does not exist, or belongs to another practice: the two are told apart for nobody. */
public class NotFoundException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String what;

    public NotFoundException(String what) {
        super("There is no such " + what + ".");
        this.what = what;
    }

    /** What is not there, in a word: a device that knows it can make it again. */
    public String what() {
        return what;
    }

    /** The row, or 404 when there is none. */
    public static <T> T require(T found, String what) {
        if (found == null) {
            throw new NotFoundException(what);
        }
        return found;
    }
}
