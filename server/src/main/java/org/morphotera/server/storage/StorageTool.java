package org.morphotera.server.storage;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Set;
import org.h2.api.ErrorCode;

/** What is done to a data file from the shell: {@code backup}, {@code check} and {@code compact}. */
public final class StorageTool {

    private static final Set<String> COMMANDS = Set.of("backup", "check", "compact");
    private static final String OPTIONS =
            ";MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DEFAULT_NULL_ORDERING=HIGH;COMPRESS=TRUE;TRACE_LEVEL_FILE=0";
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("uuuu-MM-dd-HHmmss", Locale.ROOT);
    private static final long PATIENCE_MS = 600_000;
    private static final long LOOK_MS = 100;

    private final PrintStream out;

    StorageTool(PrintStream out) {
        this.out = out;
    }

    /** Whether the arguments of the program ask for one of these commands instead of a server. */
    public static boolean wanted(String... arguments) {
        return arguments.length > 0 && COMMANDS.contains(arguments[0]);
    }

    /** @return the program's exit code: 0 when it was done, 1 when it could not be, 2 when it was not understood */
    public static int run(String... arguments) {
        return new StorageTool(System.out).command(arguments);
    }

    int command(String... arguments) {
        if (arguments.length != (arguments[0].equals("backup") ? 3 : 2)) {
            out.println("Name the data file, without .mv.db; and for a backup the folder it shall go to.");
            return 2;
        }
        DataFile file = new DataFile(Path.of(arguments[1]));
        try {
            if (!file.exists()) {
                throw new StorageException("There is no " + file.path() + ".", "Name the data file, without .mv.db.");
            }
            switch (arguments[0]) {
                case "backup" -> backup(file, Path.of(arguments[2]));
                case "check" -> check(file);
                default -> compact(file);
            }
            return 0;
        } catch (StorageException e) {
            out.println(e.told());
        } catch (SQLException e) {
            boolean inUse = e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1;
            out.println((inUse ? file.inUse(e) : file.damaged(e)).told());
        } catch (IOException e) {
            out.println("It could not be written: " + e.getMessage() + ". See that the disk has room.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            out.println("Interrupted; nothing was changed.");
        }
        return 1;
    }

    private void backup(DataFile file, Path folder) throws IOException, SQLException, InterruptedException {
        Files.createDirectories(folder);
        String name = file.path().getFileName().toString().replace(".mv.db", "");
        DataFile target =
                new DataFile(folder.resolve(name + "-" + LocalDateTime.now().format(MOMENT)));
        try {
            file.requireWhole();
            try (Connection connection = open(file, "")) {
                Backup.write(connection, target);
            }
        } catch (FileInUseException e) {
            askServer(file, target);
        }
        out.println("Wrote " + target.path() + " (" + (target.size() >> 10) + " kB). Checking it …");
        check(target);
    }

    /** The server that holds the file makes the copy. */
    private static void askServer(DataFile file, DataFile target) throws IOException, InterruptedException {
        Path answer = Backup.answer(file);
        Files.deleteIfExists(answer);
        Files.writeString(Backup.request(file), target.name(), StandardCharsets.UTF_8);
        long until = System.currentTimeMillis() + PATIENCE_MS;
        while (!Files.exists(answer)) {
            if (System.currentTimeMillis() > until) {
                Files.deleteIfExists(Backup.request(file));
                throw new StorageException(
                        "The server on " + file.path() + " did not answer within ten minutes.",
                        "See that it runs; its log says what it does.");
            }
            Thread.sleep(LOOK_MS);
        }
        String said = Files.readString(answer, StandardCharsets.UTF_8);
        Files.delete(answer);
        if (!said.equals(Backup.DONE)) {
            throw new StorageException("The server could not write the backup: " + said + ".", "Try again.");
        }
    }

    /** Reads every row of every table and every picture, and counts. */
    private void check(DataFile file) {
        DataCheck.Found found = new DataCheck(file, OPTIONS, "morphotera", "").run();
        out.println(file.path() + " is sound: " + found.tables() + " tables, " + found.rows()
                + " rows, all of them read; " + found.measurements() + " measurements; " + found.pictures()
                + " pictures as they were kept; tables of version " + found.version() + ".");
    }

    private void compact(DataFile file) throws SQLException {
        file.requireWhole();
        long before = file.size();
        try (Connection connection = open(file, "")) {
            connection.createStatement().execute("shutdown compact");
        }
        file.ownerOnly();
        out.println(file.path() + ": " + (before >> 10) + " kB became " + (file.size() >> 10) + " kB.");
    }

    private static Connection open(DataFile file, String more) throws SQLException {
        return DriverManager.getConnection("jdbc:h2:file:" + file.name() + OPTIONS + more, "morphotera", "");
    }
}
