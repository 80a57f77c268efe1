package org.morphotera.server.archive;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import java.util.function.LongConsumer;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.indicators.Projection;
import org.morphotera.server.methods.RulesInForce;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes a practice as of one moment into a zip: each table as lines of JSON, each picture as a file, and last what it
 * is and the hashes of all. Rows pass through a page at a time, so that ten years need no more memory than one day.
 */
@Component
class ArchiveWriter {

    private final JdbcTemplate jdbc;
    private final TransactionTemplate oneMoment;
    private final AccountReader accounts;
    private final RulesInForce rules;
    private final Clock clock;
    private final JsonMapper json;

    ArchiveWriter(
            JdbcTemplate jdbc,
            PlatformTransactionManager transactions,
            AccountReader accounts,
            RulesInForce rules,
            Clock clock,
            JsonMapper json) {
        this.jdbc = jdbc;
        this.accounts = accounts;
        this.rules = rules;
        this.clock = clock;
        this.json = json;
        oneMoment = new TransactionTemplate(transactions);
        oneMoment.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
        oneMoment.setReadOnly(true);
    }

    /** How many rows an archive of the practice has, for showing how far it is. */
    long rows(UUID practice) {
        return jdbc.execute((ConnectionCallback<Long>) connection -> {
            long rows = 0;
            for (ArchiveTables.Table table : ArchiveTables.ALL) {
                rows += RowPages.count(connection, table, practice);
            }
            return rows;
        });
    }

    /**
     * @param written is told how many more rows were written
     * @throws UncheckedIOException where the output takes no more
     */
    void write(UUID practice, OutputStream to, LongConsumer written) {
        oneMoment.executeWithoutResult(status -> jdbc.execute((ConnectionCallback<Void>) connection -> {
            try {
                write(connection, practice, to, written);
                return null;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (SQLException | RuntimeException e) {
                throw e;
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        }));
    }

    private void write(Connection connection, UUID practice, OutputStream to, LongConsumer written) throws Exception {
        ZipOutputStream zip = new ZipOutputStream(to, StandardCharsets.UTF_8);
        zip.setLevel(Deflater.BEST_SPEED);
        List<ArchiveManifest.Entry> entries = new ArrayList<>();
        for (ArchiveTables.Table table : ArchiveTables.ALL) {
            entries.add(table(connection, zip, table, practice, written));
        }
        int photos = photos(connection, zip, practice);
        ArchiveManifest manifest = new ArchiveManifest(
                ArchiveManifest.FORMAT,
                ArchiveManifest.VERSION,
                Schema.current(jdbc),
                Projection.VERSION,
                rules.version(),
                practice,
                accounts.practiceName(practice),
                clock.instant().truncatedTo(ChronoUnit.SECONDS),
                entries,
                photos);
        zip.putNextEntry(new ZipEntry(ArchiveManifest.NAME));
        zip.write(json.writeValueAsBytes(manifest));
        zip.closeEntry();
        zip.finish();
    }

    private static ArchiveManifest.Entry table(
            Connection connection, ZipOutputStream zip, ArchiveTables.Table table, UUID practice, LongConsumer written)
            throws Exception {
        RowText text = RowText.of(connection, table.name());
        MessageDigest digest = RowText.digest();
        long[] rows = {0};
        zip.putNextEntry(new ZipEntry(ArchiveManifest.entryOf(table.name())));
        RowPages.read(connection, table, text, practice, page -> {
            for (Object[] row : page) {
                byte[] line = (text.line(row) + "\n").getBytes(StandardCharsets.UTF_8);
                digest.update(line);
                zip.write(line);
            }
            rows[0] += page.size();
            written.accept(page.size());
        });
        zip.closeEntry();
        return new ArchiveManifest.Entry(table.name(), rows[0], HexFormat.of().formatHex(digest.digest()));
    }

    private static int photos(Connection connection, ZipOutputStream zip, UUID practice) throws Exception {
        ArchiveTables.Table photo = ArchiveTables.named("photo");
        RowText text = RowText.of(connection, photo.name());
        int id = text.names().indexOf("id");
        int content = text.names().indexOf("content");
        int small = text.names().indexOf("small");
        int[] photos = {0};
        RowPages.read(connection, photo, text, practice, page -> {
            for (Object[] row : page) {
                file(zip, ArchiveManifest.photo(row[id].toString()), (byte[]) row[content]);
                if (row[small] != null) {
                    file(zip, ArchiveManifest.smallPhoto(row[id].toString()), (byte[]) row[small]);
                }
                photos[0]++;
            }
        });
        return photos[0];
    }

    private static void file(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }
}
