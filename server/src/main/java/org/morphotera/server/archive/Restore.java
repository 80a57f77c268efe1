package org.morphotera.server.archive;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.LongConsumer;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.indicators.Projection;
import org.morphotera.server.jobs.WorkFolder;
import org.morphotera.server.projections.ProjectionRebuild;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * Puts an archive in the place of an empty practice, all of it or nothing. It is laid out and checked beside the data
 * first; then its rows are copied under their own ids: in one transaction where a practice gives way, and a page at a time
 * where there is none, so that a large one does not blow up the data file; what came in goes when it fails.
 */
@Component
class Restore {

    /** What an empty practice may have. */
    private static final Set<String> OF_THE_EMPTY = Set.of(
            "practice", "person", "invitation", "practice_rules", "audit_entry", "archive_setting", "calendar_address");

    private final JdbcTemplate jdbc;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final WorkFolder folder;
    private final ProjectionRebuild rebuild;
    private final FindByIndexNameSessionRepository<? extends Session> sessions;

    Restore(
            JdbcTemplate jdbc,
            TransactionTemplate transaction,
            JsonMapper json,
            WorkFolder folder,
            ProjectionRebuild rebuild,
            FindByIndexNameSessionRepository<? extends Session> sessions) {
        this.jdbc = jdbc;
        this.transaction = transaction;
        this.json = json;
        this.folder = folder;
        this.rebuild = rebuild;
        this.sessions = sessions;
    }

    /** Told how far it is: rows done, of how many. */
    interface Progress {
        void at(long done, long total);
    }

    /** What came in. */
    record Restored(UUID practiceId, String practice, long rows, int fromSchema) {}

    /** Whether the practice has nothing that a restored one would hide. */
    boolean isEmpty(UUID practice) {
        return jdbc.execute((ConnectionCallback<Boolean>) connection -> {
            for (ArchiveTables.Table table : ArchiveTables.ALL) {
                if (!OF_THE_EMPTY.contains(table.name()) && RowPages.count(connection, table, practice) > 0) {
                    return false;
                }
            }
            return true;
        });
    }

    /**
     * @param inPlaceOf the empty practice that gives way; {@code null} on a server without any
     * @throws DamagedArchiveException where the archive can't be restored; nothing has changed then
     */
    Restored run(Path file, @Nullable UUID inPlaceOf, Progress progress) throws DamagedArchiveException {
        int schema = Schema.current(jdbc);
        try (ArchiveReader archive = ArchiveReader.open(file, json, schema)) {
            archive.verify();
            return run(archive, schema, inPlaceOf, progress);
        } catch (SQLException | IOException e) {
            throw new DamagedArchiveException(
                    "", "It could not be laid out beside the data. See that the disk has room, and try again.", e);
        }
    }

    private Restored run(ArchiveReader archive, int schema, @Nullable UUID inPlaceOf, Progress progress)
            throws DamagedArchiveException, SQLException, IOException {
        try (Staging staging = Staging.open(folder.path(), archive.manifest().schema())) {
            long rows = archive.rows();
            long[] done = {0};
            LongConsumer count = more -> progress.at(done[0] += more, 2 * rows);
            archive.layOut(staging.connection(), count);
            staging.migrate(schema);
            List<String> leaving = new ArrayList<>();
            try {
                if (inPlaceOf == null) {
                    copyByPages(staging, archive.manifest(), count);
                } else {
                    transaction.executeWithoutResult(status -> {
                        leaving.addAll(jdbc.queryForList(
                                "select email from person where practice_id = ?", String.class, inPlaceOf));
                        copy(staging, archive.manifest(), inPlaceOf, count);
                    });
                }
            } catch (DuplicateKeyException e) {
                throw new DamagedArchiveException(
                        "", "Rows of this archive are on this server already. Restore it on another one.", e);
            } catch (RefusedRestore e) {
                throw new DamagedArchiveException("", e.getMessage(), e);
            }
            if (inPlaceOf == null) {
                numberOn();
            }
            if (archive.manifest().projection() != Projection.VERSION) {
                rebuild.run();
            }
            leaving.forEach(this::endSessions);
            return new Restored(
                    archive.manifest().practiceId(),
                    archive.manifest().practice(),
                    rows,
                    archive.manifest().schema());
        }
    }

    /** Out of the middle of a transaction, which is undone. */
    private static final class RefusedRestore extends RuntimeException {

        private static final long serialVersionUID = 1L;

        private RefusedRestore(String message) {
            super(message);
        }
    }

    private void copyByPages(Staging staging, ArchiveManifest manifest, LongConsumer done) {
        requireNew(manifest.practiceId());
        try {
            copy(staging, manifest, null, done);
        } catch (RuntimeException e) {
            takeBack(manifest.practiceId());
            throw e;
        }
    }

    private void requireNew(UUID practice) {
        if (jdbc.queryForObject("select count(*) from practice where id = ?", Long.class, practice) > 0) {
            throw new RefusedRestore("This practice is on this server already. Restore it on another one.");
        }
    }

    private void copy(Staging staging, ArchiveManifest manifest, @Nullable UUID inPlaceOf, LongConsumer done) {
        UUID practice = manifest.practiceId();
        if (inPlaceOf != null && !practice.equals(inPlaceOf)) {
            requireNew(practice);
        }
        if (inPlaceOf != null && !isEmpty(inPlaceOf)) {
            throw new RefusedRestore("This practice is no longer empty. Restore into an empty one.");
        }
        jdbc.execute((ConnectionCallback<Void>) connection -> {
            boolean byPages = connection.getAutoCommit();
            try {
                connection.setAutoCommit(false);
                Set<String> emails = emails(staging.connection(), practice);
                boolean replaced = inPlaceOf != null;
                // numbers are kept where nobody else's can be the same
                boolean newNumbers = replaced || numbered();
                if (replaced) {
                    makeRoom(inPlaceOf, emails);
                }
                requireFree(emails);
                for (ArchiveTables.Table table : ArchiveTables.ALL) {
                    boolean there = practice.equals(inPlaceOf) && table.name().equals("practice");
                    if (!there) {
                        copy(staging.connection(), connection, table, practice, newNumbers, byPages, done);
                    }
                    if (replaced && table.name().equals("practice")) {
                        moveIn(inPlaceOf, practice);
                    }
                }
                return null;
            } catch (SQLException | RuntimeException e) {
                throw e;
            } catch (Exception e) {
                throw new IllegalStateException(e);
            } finally {
                if (byPages) {
                    connection.rollback();
                    connection.setAutoCommit(true);
                }
            }
        });
    }

    /** Takes away what came in of a practice that was not there before. */
    private void takeBack(UUID practice) {
        List<ArchiveTables.Table> last = new ArrayList<>(ArchiveTables.ALL);
        Collections.reverse(last);
        for (ArchiveTables.Table table : last) {
            if (table.later() != null) {
                jdbc.update(
                        "update " + table.name() + " set " + table.later() + " = null where " + table.ownedBy()
                                + " = ?",
                        practice);
            }
            jdbc.update("delete from " + table.name() + " where " + table.ownedBy() + " = ?", practice);
        }
    }

    private static Set<String> emails(Connection staging, UUID practice) throws Exception {
        Set<String> emails = new HashSet<>();
        ArchiveTables.Table person = ArchiveTables.named("person");
        RowText text = RowText.of(staging, person.name());
        int email = text.names().indexOf("email");
        RowPages.read(staging, person, text, practice, page -> page.forEach(row -> emails.add((String) row[email])));
        return emails;
    }

    /** People of the archive come with their own rows; those of the same address give way. */
    private void makeRoom(UUID practice, Set<String> emails) {
        for (String table :
                List.of("audit_entry", "calendar_address", "archive_setting", "invitation", "practice_rules")) {
            jdbc.update("delete from " + table + " where practice_id = ?", practice);
        }
        emails.forEach(email -> jdbc.update("delete from person where practice_id = ? and email = ?", practice, email));
    }

    private void requireFree(Set<String> emails) {
        for (String email : emails) {
            if (jdbc.queryForObject("select count(*) from person where email = ?", Long.class, email) > 0) {
                throw new RefusedRestore("Somebody signs in as " + email
                        + " in another practice of this server. Restore it on another one.");
            }
        }
    }

    /** Those who were in the empty practice go on in the restored one. */
    private void moveIn(UUID from, UUID to) {
        if (!from.equals(to)) {
            jdbc.update("update person set practice_id = ? where practice_id = ?", to, from);
            jdbc.update("update job set practice_id = ? where practice_id = ?", to, from);
            jdbc.update("delete from practice where id = ?", from);
        }
    }

    private static void copy(
            Connection from,
            Connection to,
            ArchiveTables.Table table,
            UUID practice,
            boolean newNumbers,
            boolean byPages,
            LongConsumer done)
            throws Exception {
        RowText text = RowText.of(from, table.name());
        RowInserts inserts = new RowInserts(to, table, text.names(), newNumbers);
        RowPages.read(from, table, text, practice, page -> {
            try {
                inserts.add(page);
            } catch (RowInserts.Refused e) {
                throw new DuplicateKeyException(table.name(), e);
            }
            if (byPages) {
                to.commit();
            }
            done.accept(page.size());
        });
        inserts.finish();
        if (byPages) {
            to.commit();
        }
    }

    /** Whether a practice of this server has entries of the log, which are numbered over all practices. */
    private boolean numbered() {
        return jdbc.queryForObject("select exists(select 1 from audit_entry)", Boolean.class);
    }

    /** Numbers go on after the highest that came in. */
    private void numberOn() {
        Long highest = jdbc.queryForObject("select coalesce(max(id), 0) from audit_entry", Long.class);
        jdbc.execute("alter table audit_entry alter column id restart with " + (highest + 1));
    }

    private void endSessions(String email) {
        Map<String, ? extends Session> open = sessions.findByPrincipalName(email);
        open.keySet().forEach(sessions::deleteById);
    }
}
