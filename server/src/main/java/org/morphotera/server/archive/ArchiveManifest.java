package org.morphotera.server.archive;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * What an archive says of itself, as its last entry {@code archive.json}.
 *
 * @param format always {@link #FORMAT}
 * @param version of the form of the archive itself
 * @param schema version of the tables that its rows are of
 * @param projection version of the rules by which indicators were projected
 * @param build the version of Morphotera that made it
 */
record ArchiveManifest(
        String format,
        int version,
        int schema,
        int projection,
        String build,
        UUID practiceId,
        String practice,
        Instant madeAt,
        List<Entry> tables,
        int photos) {

    static final String FORMAT = "morphotera-archive";
    static final int VERSION = 1;
    static final String NAME = "archive.json";

    /**
     * @param sha256 of the entry's text, as hexadecimal digits
     */
    record Entry(String table, long rows, String sha256) {}

    static String entryOf(String table) {
        return "tables/" + table + ".jsonl";
    }

    static String photo(String id) {
        return "photos/" + id;
    }

    static String smallPhoto(String id) {
        return "photos/" + id + ".small";
    }
}
