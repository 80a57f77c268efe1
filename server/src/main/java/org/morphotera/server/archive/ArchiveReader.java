package org.morphotera.server.archive;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.LongConsumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.photos.Pictures;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.TextRule;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** An archive as a file: what it says it is, and its rows laid out in a staging database, every one of them checked. */
final class ArchiveReader implements AutoCloseable {

    private static final int PAGE = 300;
    private static final int LONGEST_LINE = 8 << 20;
    private static final int LARGEST_PICTURE = 64 << 20;
    private static final int LARGEST_MANIFEST = 1 << 20;

    private final ZipFile zip;
    private final ArchiveManifest manifest;

    private ArchiveReader(ZipFile zip, ArchiveManifest manifest) {
        this.zip = zip;
        this.manifest = manifest;
    }

    /**
     * @param schema the newest version of the tables that can be restored
     * @throws DamagedArchiveException where it is no archive, or one of a newer version
     */
    static ArchiveReader open(Path file, JsonMapper json, int schema) throws DamagedArchiveException {
        ZipFile zip = null;
        try {
            zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8);
            ArchiveReader reader = new ArchiveReader(zip, manifest(zip, json));
            reader.check(schema);
            return reader;
        } catch (IOException | IllegalArgumentException e) {
            close(zip);
            throw new DamagedArchiveException(
                    "", "This is no archive, or its end is missing. Take the whole file, or another one.", e);
        } catch (DamagedArchiveException | RuntimeException e) {
            close(zip);
            throw e;
        }
    }

    private static void close(ZipFile zip) {
        if (zip != null) {
            try {
                zip.close();
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }
    }

    private static ArchiveManifest manifest(ZipFile zip, JsonMapper json) throws IOException, DamagedArchiveException {
        ZipEntry entry = zip.getEntry(ArchiveManifest.NAME);
        if (entry == null) {
            throw new DamagedArchiveException(
                    ArchiveManifest.NAME,
                    "It is missing: this is no archive. Take a file that an archive was made as.");
        }
        try (InputStream in = zip.getInputStream(entry)) {
            ArchiveManifest read = json.readValue(in.readNBytes(LARGEST_MANIFEST), ArchiveManifest.class);
            if (read == null || read.tables() == null || read.practiceId() == null || read.practice() == null) {
                throw new DamagedArchiveException(ArchiveManifest.NAME, "It can't be read. Take another archive.");
            }
            return read;
        } catch (JacksonException e) {
            throw new DamagedArchiveException(ArchiveManifest.NAME, "It can't be read. Take another archive.", e);
        }
    }

    private void check(int schema) throws DamagedArchiveException {
        if (!ArchiveManifest.FORMAT.equals(manifest.format())) {
            throw new DamagedArchiveException(ArchiveManifest.NAME, "This is no archive of a practice.");
        }
        if (manifest.version() > ArchiveManifest.VERSION || manifest.schema() > schema) {
            throw new DamagedArchiveException(
                    ArchiveManifest.NAME,
                    "It was made by a newer version of Morphotera. Restore it with that version or a later one.");
        }
        if (manifest.schema() < 1 || manifest.version() < 1) {
            throw new DamagedArchiveException(ArchiveManifest.NAME, "Its version can't be read. Take another archive.");
        }
        Set<String> seen = new HashSet<>();
        for (ArchiveManifest.Entry each : manifest.tables()) {
            if (each == null || ArchiveTables.named(each.table()) == null || !seen.add(each.table())) {
                throw new DamagedArchiveException(ArchiveManifest.NAME, "It names a table that there is not.");
            }
        }
        if (!seen.contains("practice")) {
            throw new DamagedArchiveException(ArchiveManifest.NAME, "The practice itself is missing.");
        }
    }

    ArchiveManifest manifest() {
        return manifest;
    }

    /**
     * Looks whether every table is there as it was written, before anything is laid out.
     *
     * @throws DamagedArchiveException naming the first that is not
     */
    void verify() throws DamagedArchiveException {
        for (ArchiveManifest.Entry each : manifest.tables()) {
            String place = ArchiveManifest.entryOf(each.table());
            ZipEntry entry = zip.getEntry(place);
            if (entry == null) {
                throw new DamagedArchiveException(place, "It is missing. Take another archive.");
            }
            MessageDigest digest = RowText.digest();
            try (InputStream in = zip.getInputStream(entry)) {
                byte[] piece = new byte[1 << 16];
                for (int read = in.read(piece); read >= 0; read = in.read(piece)) {
                    digest.update(piece, 0, read);
                }
            } catch (IOException | IllegalArgumentException e) {
                throw new DamagedArchiveException(place, "It is damaged. Take another archive.", e);
            }
            if (!HexFormat.of().formatHex(digest.digest()).equals(each.sha256())) {
                throw new DamagedArchiveException(
                        place, "It does not hold what was written into it. Take another archive.");
            }
        }
    }

    /** Rows in all, as the archive says. */
    long rows() {
        return manifest.tables().stream()
                .mapToLong(entry -> Math.max(0, entry.rows()))
                .sum();
    }

    /**
     * Lays all rows out in the staging database.
     *
     * @throws DamagedArchiveException naming the entry and line that does not fit
     */
    void layOut(Connection into, LongConsumer done) throws DamagedArchiveException, SQLException, IOException {
        for (ArchiveTables.Table table : ArchiveTables.ALL) {
            boolean there = exists(into, table.name());
            ArchiveManifest.Entry entry = manifest.tables().stream()
                    .filter(each -> each.table().equals(table.name()))
                    .findFirst()
                    .orElse(null);
            if (there != (entry != null)) {
                throw new DamagedArchiveException(
                        ArchiveManifest.entryOf(table.name()),
                        "It is " + (there ? "missing" : "of another version") + ". Take another archive.");
            }
            if (entry != null) {
                new TableIn(into, table, entry, true).read(done);
            }
        }
    }

    /**
     * Reads every row and every picture as it would be restored, and lays nothing out.
     *
     * @param tables a database at the tables that the archive was made with
     * @throws DamagedArchiveException naming the first entry that could not be restored
     */
    void readBack(Connection tables) throws DamagedArchiveException, SQLException, IOException {
        verify();
        for (ArchiveManifest.Entry each : manifest.tables()) {
            new TableIn(tables, ArchiveTables.named(each.table()), each, false).read(read -> {});
        }
    }

    private static boolean exists(Connection in, String table) throws SQLException {
        try (var found = in.getMetaData().getTables(null, "public", table, new String[] {"TABLE", "BASE TABLE"})) {
            return found.next();
        }
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }

    /** One table on its way in. */
    private final class TableIn {

        private final ArchiveTables.Table table;
        private final ArchiveManifest.Entry expected;
        private final String place;
        private final RowText text;
        private final @Nullable RowInserts inserts;
        private final Connection into;
        private final List<Object[]> page = new ArrayList<>();
        private final int owner;
        private long line;

        private TableIn(Connection into, ArchiveTables.Table table, ArchiveManifest.Entry expected, boolean kept)
                throws SQLException {
            this.into = into;
            this.table = table;
            this.expected = expected;
            place = ArchiveManifest.entryOf(table.name());
            text = RowText.of(into, table.name());
            inserts = kept ? new RowInserts(into, table, text.names(), false) : null;
            owner = text.names().indexOf(table.ownedBy());
        }

        private void read(LongConsumer done) throws DamagedArchiveException, SQLException, IOException {
            ZipEntry entry = zip.getEntry(place);
            if (entry == null) {
                throw new DamagedArchiveException(place, "It is missing. Take another archive.");
            }
            try (BufferedReader lines = new BufferedReader(new InputStreamReader(
                    zip.getInputStream(entry),
                    StandardCharsets.UTF_8
                            .newDecoder()
                            .onMalformedInput(CodingErrorAction.REPORT)
                            .onUnmappableCharacter(CodingErrorAction.REPORT)))) {
                for (String each = line(lines); each != null; each = line(lines)) {
                    line++;
                    page.add(row(each));
                    if (page.size() == PAGE || table.name().equals("photo") && page.size() == 8) {
                        put(done);
                    }
                }
            } catch (CharacterCodingException e) {
                throw new DamagedArchiveException(where(line + 1), "It is no text in UTF-8. Take another archive.", e);
            } catch (IOException e) {
                throw new DamagedArchiveException(where(line + 1), "It is damaged. Take another archive.", e);
            }
            put(done);
            if (inserts != null) {
                inserts.finish();
                into.commit();
            }
            if (line != expected.rows()) {
                throw new DamagedArchiveException(
                        place, "It does not hold what was written into it. Take another archive.");
            }
        }

        /** A line of bounded length, or {@code null} at the end. */
        private String line(BufferedReader lines) throws IOException, DamagedArchiveException {
            StringBuilder read = new StringBuilder();
            for (int c = lines.read(); c >= 0; c = lines.read()) {
                if (c == '\n') {
                    return read.toString();
                }
                if (read.length() >= LONGEST_LINE) {
                    throw new DamagedArchiveException(where(line + 1), "The line is too long. Take another archive.");
                }
                read.append((char) c);
            }
            return read.isEmpty() ? null : read.toString();
        }

        private Object[] row(String each) throws DamagedArchiveException, IOException {
            try {
                Object[] values = text.read(each);
                if (!manifest.practiceId().equals(values[owner])) {
                    throw new IllegalArgumentException("it is another practice's");
                }
                for (int i = 0; i < values.length; i++) {
                    if (values[i] instanceof RowText.Bytes bytes) {
                        values[i] = picture(values, text.names().get(i), bytes);
                    } else if (values[i] instanceof String said && !TextRule.showable(said)) {
                        throw new IllegalArgumentException(
                                text.names().get(i) + " holds a character that can't be shown");
                    }
                }
                if (inserts != null && table.name().equals("photo")) {
                    asPicture(values);
                }
                return values;
            } catch (IllegalArgumentException e) {
                throw new DamagedArchiveException(
                        where(line), "This row can't be read (" + e.getMessage() + "). Take another archive.", e);
            }
        }

        /** Nothing but a picture comes in, whatever the archive says that it is. */
        private void asPicture(Object[] values) throws DamagedArchiveException {
            int content = text.names().indexOf("content");
            int small = text.names().indexOf("small");
            Pictures.Kept kept;
            try {
                kept = Pictures.restored((byte[]) values[content], small < 0 ? null : (byte[]) values[small]);
            } catch (RefusedException e) {
                throw new DamagedArchiveException(
                        where(line), "This is no whole picture as JPEG or PNG. Take another archive.", e);
            }
            values[content] = kept.content();
            put(values, "small", kept.small());
            put(values, "type", kept.type());
            put(values, "size_bytes", kept.content().length);
            put(values, "kept_hash", kept.hash());
        }

        private void put(Object[] values, String column, Object value) {
            int at = text.names().indexOf(column);
            if (at >= 0) {
                values[at] = value;
            }
        }

        private byte[] picture(Object[] values, String column, RowText.Bytes bytes)
                throws DamagedArchiveException, IOException {
            UUID id = (UUID) values[text.names().indexOf("id")];
            String name = column.equals("small")
                    ? ArchiveManifest.smallPhoto(String.valueOf(id))
                    : ArchiveManifest.photo(String.valueOf(id));
            ZipEntry entry = zip.getEntry(name);
            if (entry == null || bytes.length() < 0 || bytes.length() > LARGEST_PICTURE) {
                throw new DamagedArchiveException(name, "The picture is missing. Take another archive.");
            }
            try (InputStream in = zip.getInputStream(entry)) {
                byte[] read = in.readNBytes((int) bytes.length() + 1);
                if (read.length != bytes.length() || !RowText.sha256(read).equals(bytes.sha256())) {
                    throw new DamagedArchiveException(name, "The picture is damaged. Take another archive.");
                }
                return read;
            } catch (java.util.zip.ZipException | java.io.EOFException e) {
                throw new DamagedArchiveException(name, "The picture is damaged. Take another archive.", e);
            }
        }

        private void put(LongConsumer done) throws SQLException, DamagedArchiveException {
            if (page.isEmpty() || inserts == null) {
                page.clear();
                return;
            }
            try {
                inserts.add(page);
            } catch (RowInserts.Refused e) {
                throw new DamagedArchiveException(
                        where(line - page.size() + 1 + e.index()),
                        "This row does not fit with the others. Take another archive.",
                        e);
            }
            // what is laid out here is thrown away as a whole: one long transaction would only make its file large
            into.commit();
            done.accept(page.size());
            page.clear();
        }

        private String where(long number) {
            return place + ", line " + number;
        }
    }
}
