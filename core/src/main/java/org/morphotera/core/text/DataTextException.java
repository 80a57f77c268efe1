package org.morphotera.core.text;

/** A data file that can't be used; the message names the file, the line and what is wrong. */
public final class DataTextException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String problem;

    /**
     * @param file name of the file
     * @param line counted from 1
     * @param problem what is wrong, in words
     */
    public DataTextException(String file, int line, String problem) {
        super(file + ", line " + line + ": " + problem);
        this.problem = problem;
    }

    /** What is wrong, without where. */
    public String problem() {
        return problem;
    }
}
