package org.morphotera.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The data file as it is found at a start: whole, damaged, half made, of another version. */
@Tag("data-file")
class DataFileTest {

    private static final String OPTIONS =
            ";MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DEFAULT_NULL_ORDERING=HIGH;COMPRESS=TRUE;TRACE_LEVEL_FILE=0";

    @TempDir
    private Path folder;

    private DataFile file;
    private final ByteArrayOutputStream said = new ByteArrayOutputStream();

    @BeforeEach
    void named() {
        file = new DataFile(folder.resolve("own/morphotera"));
    }

    private void prepare() {
        new Tables(file, OPTIONS, "morphotera", "").prepare();
    }

    private String url(DataFile of) {
        return "jdbc:h2:file:" + of.name() + OPTIONS;
    }

    private void sql(String text) throws SQLException {
        try (Connection connection = DriverManager.getConnection(url(file), "morphotera", "")) {
            connection.createStatement().execute(text);
        }
    }

    /** A file with something in it. */
    private void filled() throws SQLException {
        prepare();
        sql("insert into practice (id, name, created_at) select random_uuid(), repeat('Dyke', 40) || \"X\", "
                + "current_timestamp from system_range(1, 5000)");
    }

    private int tool(String... arguments) {
        return new StorageTool(new PrintStream(said, true, StandardCharsets.UTF_8)).command(arguments);
    }

    private String said() {
        return said.toString(StandardCharsets.UTF_8);
    }

    private String mode(Path path) throws IOException {
        return PosixFilePermissions.toString(Files.getPosixFilePermissions(path));
    }

    private List<String> names() throws IOException {
        try (Stream<Path> files = Files.list(file.path().getParent())) {
            return files.map(each -> each.getFileName().toString()).toList();
        }
    }

    @Test
    void aNewOneIsMadeWholeAndForItsOwnerOnly() throws IOException, SQLException {
        prepare();
        assertThat(names()).containsExactly("morphotera.mv.db");
        assertThat(mode(file.path())).isEqualTo("rw-------");
        assertThat(mode(file.path().getParent())).isEqualTo("rwx------");
        sql("select count(*) from measurement");
        file.requireWhole();
    }

    @Test
    void whatAKillLeftBesideItIsThrownAwayAndMadeAnew() throws IOException, SQLException {
        file.makeFolder();
        // killed in the middle of the first migration
        try (Connection connection = DriverManager.getConnection(url(file.beside("next")), "morphotera", "")) {
            connection.createStatement().execute("create table practice (id uuid)");
        }
        prepare();
        assertThat(names()).containsExactly("morphotera.mv.db");
        sql("select name from practice");
    }

    @Test
    void anOlderOneIsBroughtUpInACopyAndStaysAsItIsWhenThatFails() throws IOException, SQLException {
        file.makeFolder();
        Flyway.configure()
                .dataSource(url(file), "morphotera", "")
                .target("3")
                .load()
                .migrate();
        sql("insert into practice (id, name, created_at) values (random_uuid(), 'kept', current_timestamp)");
        // what the next version adds is there already: its migration fails half-way
        sql("create table test_set (id uuid)");
        assertThatThrownBy(this::prepare).isInstanceOf(RuntimeException.class);
        sql("drop table test_set");
        sql("select name from practice where name = 'kept'");
        prepare();
        sql("select methods from test_set");
        try (Connection connection = DriverManager.getConnection(url(file), "morphotera", "");
                var rows = connection.createStatement().executeQuery("select name from practice")) {
            assertThat(rows.next()).isTrue();
            assertThat(rows.getString(1)).isEqualTo("kept");
        }
        assertThat(names()).containsExactly("morphotera.mv.db");
        assertThat(mode(file.path())).isEqualTo("rw-------");
    }

    @Test
    void anEmptyOneIsNoNewPractice() throws IOException {
        file.makeFolder();
        Files.createFile(file.path());
        assertThatThrownBy(this::prepare)
                .isInstanceOfSatisfying(
                        StorageException.class,
                        e -> assertThat(e.told()).contains("is empty", "Put a backup in its place"));
        assertThat(file.size()).isZero();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 30, 55, 80, 97})
    void oneThatWasCutOffIsToldFromAWholeOne(int percent) throws IOException, SQLException {
        filled();
        try (FileChannel out = FileChannel.open(file.path(), StandardOpenOption.WRITE)) {
            out.truncate(out.size() * percent / 100);
        }
        assertThatThrownBy(this::prepare)
                .isInstanceOfSatisfying(
                        StorageException.class,
                        e -> assertThat(e.told())
                                .containsAnyOf("was cut off", "is damaged")
                                .contains("put a backup in its place"));
    }

    @Test
    void aDamagedOneIsSaidToBe() throws IOException, SQLException {
        filled();
        try (FileChannel out = FileChannel.open(file.path(), StandardOpenOption.WRITE)) {
            out.write(ByteBuffer.wrap(new byte[8192]), 0);
        }
        assertThatThrownBy(this::prepare)
                .isInstanceOfSatisfying(
                        StorageException.class, e -> assertThat(e.told()).contains("is damaged", "put a backup"));
    }

    @Test
    void oneOfANewerVersionIsLeftAlone() throws SQLException {
        prepare();
        sql("insert into \"flyway_schema_history\" select 999, '999', 'later', 'SQL', 'V999__later.sql', 1, 'x', "
                + "current_timestamp, 1, true");
        assertThatThrownBy(this::prepare)
                .isInstanceOfSatisfying(
                        StorageException.class, e -> assertThat(e.told()).contains("newer version"));
    }

    @Test
    void oneInUseIsSaidToBe() throws SQLException {
        filled();
        try (Connection holder = DriverManager.getConnection(url(file), "morphotera", "")) {
            assertThat(holder.isValid(1)).isTrue();
            assertThatThrownBy(this::prepare)
                    .isInstanceOf(StorageException.class)
                    .hasMessageContaining("in use");
            assertThat(tool("compact", file.name())).isEqualTo(1);
            assertThat(said()).contains("in use");
        }
    }

    @Test
    void theToolChecksCompactsAndBacksUp() throws IOException, SQLException {
        filled();
        sql("delete from practice where name like '%9'");
        assertThat(tool("check", file.name())).as(said()).isZero();
        assertThat(said()).contains("is sound", "tables of version 15");
        assertThat(tool("compact", file.name())).isZero();
        assertThat(mode(file.path())).isEqualTo("rw-------");
        Path backups = folder.resolve("backups");
        assertThat(tool("backup", file.name(), backups.toString())).as(said()).isZero();
        try (Stream<Path> files = Files.list(backups)) {
            Path copy = files.findFirst().orElseThrow();
            assertThat(mode(copy)).isEqualTo("rw-------");
            // the copy takes the place of the file, and is what it was
            Files.move(copy, file.path(), java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        }
        prepare();
        try (Connection connection = DriverManager.getConnection(url(file), "morphotera", "");
                var rows = connection.createStatement().executeQuery("select count(*) from practice")) {
            rows.next();
            assertThat(rows.getInt(1)).isEqualTo(4500);
        }
    }

    @Test
    void theToolSaysWhatItCantDo() throws IOException, SQLException {
        assertThat(tool("check", file.name())).isEqualTo(1);
        assertThat(tool("backup", file.name())).isEqualTo(2);
        filled();
        try (FileChannel out = FileChannel.open(file.path(), StandardOpenOption.WRITE)) {
            out.truncate(out.size() / 2);
        }
        assertThat(tool("check", file.name())).isEqualTo(1);
        assertThat(said()).contains("There is no", "Name the data file", "put a backup in its place");
    }

    @Test
    void aPictureThatTheDiskSpoiltIsFoundByCheckBackupAndStart() throws IOException, SQLException {
        filled();
        byte[] picture = new byte[3000];
        new Random(3).nextBytes(picture);
        byte[] small = {1, 2, 3};
        try (Connection connection = DriverManager.getConnection(url(file), "morphotera", "")) {
            connection.createStatement().execute("set referential_integrity false");
            try (PreparedStatement insert = connection.prepareStatement(
                    "insert into photo (id, practice_id, field_id, visit_id, stop_id, taken_at, type, size_bytes, content, "
                            + "small, kept_hash) values (random_uuid(), random_uuid(), random_uuid(), random_uuid(), "
                            + "random_uuid(), current_timestamp, 'image/jpeg', 3000, ?, ?, ?)")) {
                insert.setBytes(1, picture);
                insert.setBytes(2, small);
                insert.setString(3, KeptHash.of(picture, small));
                insert.execute();
                // one of before hashes were kept
                insert.setString(3, null);
                insert.execute();
            }
        }
        assertThat(tool("check", file.name())).as(said()).isZero();
        assertThat(said()).contains("1 pictures as they were kept");
        prepare();
        sql("update photo set content = cast(repeat(X'00', 3000) as varbinary) where kept_hash is not null");
        assertThat(tool("check", file.name())).isEqualTo(1);
        assertThat(said()).contains("1 of 1 pictures are not as they were kept", "put a backup in its place");
        assertThat(tool("backup", file.name(), folder.resolve("backups").toString()))
                .isEqualTo(1);
        assertThatThrownBy(this::prepare)
                .isInstanceOf(StorageException.class)
                .hasMessageContaining("not as they were kept");
    }

    @Test
    void aFileWithASpoiltPageTakesNoWrites() throws IOException, SQLException {
        filled();
        byte[] bytes = Files.readAllBytes(file.path());
        // in the middle, where only rows lie: heads and lists of parts are whole
        java.util.Arrays.fill(bytes, bytes.length / 2, bytes.length / 2 + 3000, (byte) 0x5A);
        Files.write(file.path(), bytes);
        assertThatThrownBy(this::prepare)
                .isInstanceOfSatisfying(
                        StorageException.class, e -> assertThat(e.told()).contains("is damaged", "put a backup"));
    }
}
