package org.morphotera.server.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import org.h2.mvstore.MVMap;
import org.h2.mvstore.MVStore;

/** Which tests of a file were seen: kept beside the data, so that a file of any length takes the same memory. */
final class SeenIds implements AutoCloseable {

    private static final int CACHE_MB = 4;
    private static final int KEPT_BACK_KB = 4096;

    private final Path file;
    private final MVStore store;
    private final MVMap<UUID, Boolean> seen;

    /** @param file is made anew, and gone when this is closed */
    SeenIds(Path file) throws IOException {
        this.file = file;
        Files.deleteIfExists(file);
        store = new MVStore.Builder()
                .fileName(file.toString())
                .cacheSize(CACHE_MB)
                .autoCommitBufferSize(KEPT_BACK_KB)
                .open();
        // nobody opens it again: the room of pages that were written anew is free at once
        store.setRetentionTime(0);
        store.setVersionsToKeep(0);
        seen = store.openMap("seen");
    }

    /** Whether it is seen for the first time. */
    boolean add(UUID id) {
        return seen.putIfAbsent(id, true) == null;
    }

    @Override
    public void close() throws IOException {
        store.closeImmediately();
        Files.deleteIfExists(file);
    }
}
