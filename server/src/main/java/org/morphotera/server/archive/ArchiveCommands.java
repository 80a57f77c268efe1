package org.morphotera.server.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * What {@code bin/archive} and {@code bin/restore} ask for: {@code --morphotera.archive-to=FOLDER} writes an archive of
 * every practice, {@code --morphotera.restore-from=FILE} restores one onto a server without any; then the program ends.
 */
@Component
@ConditionalOnExpression("!'${morphotera.archive-to:}'.isEmpty() || !'${morphotera.restore-from:}'.isEmpty()")
@Order(1)
class ArchiveCommands implements ApplicationRunner {

    private static final int STEPS_TOLD = 10;

    private final Archives archives;
    private final Restore restore;
    private final ArchiveMapper rows;
    private final ConfigurableApplicationContext context;
    private final String archiveTo;
    private final String restoreFrom;

    ArchiveCommands(
            Archives archives,
            Restore restore,
            ArchiveMapper rows,
            ConfigurableApplicationContext context,
            @Value("${morphotera.archive-to:}") String archiveTo,
            @Value("${morphotera.restore-from:}") String restoreFrom) {
        this.archives = archives;
        this.restore = restore;
        this.rows = rows;
        this.context = context;
        this.archiveTo = archiveTo;
        this.restoreFrom = restoreFrom;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        int code = restoreFrom.isEmpty() ? archive(Path.of(archiveTo)) : restore(Path.of(restoreFrom));
        System.exit(SpringApplication.exit(context, () -> code));
    }

    private int archive(Path folder) throws IOException {
        Files.createDirectories(folder);
        List<UUID> practices = rows.practices();
        for (UUID practice : practices) {
            Path file = folder.resolve(archives.nameNow(practice));
            try {
                archives.write(practice, file, new Told());
            } catch (DamagedArchiveException e) {
                System.out.println(e.told());
                return 1;
            }
            System.out.println("Wrote " + file + " (" + Math.max(1, Files.size(file) >> 10) + " kB).");
        }
        if (practices.isEmpty()) {
            System.out.println("There is no practice to archive.");
        }
        return practices.isEmpty() ? 1 : 0;
    }

    private int restore(Path file) {
        if (!rows.practices().isEmpty()) {
            System.out.println("The data file holds a practice already. Name one that is not there yet.");
            return 1;
        }
        try {
            Restore.Restored restored = restore.run(file, null, new Told());
            System.out.println("Restored " + restored.practice() + ": " + restored.rows() + " rows.");
            return 0;
        } catch (DamagedArchiveException e) {
            System.out.println(e.told());
            return 1;
        }
    }

    /** Says every tenth of the way. */
    private static final class Told implements Restore.Progress {

        private long told;

        @Override
        public void at(long done, long total) {
            long step = total == 0 ? STEPS_TOLD : done * STEPS_TOLD / total;
            if (step > told) {
                told = step;
                System.out.println("  " + 100 * step / STEPS_TOLD + " %");
            }
        }
    }
}
