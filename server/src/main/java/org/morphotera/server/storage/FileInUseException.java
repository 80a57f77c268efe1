package org.morphotera.server.storage;

import java.nio.file.Path;

/** Another process has the data file open. */
final class FileInUseException extends StorageException {

    private static final long serialVersionUID = 1L;

    FileInUseException(Path file, Throwable cause) {
        super(
                "The data file " + file + " is in use by another process.",
                "Stop the server that runs on it, or give this one another file with --morphotera.data.",
                cause);
    }
}
