package org.morphotera.server.storage;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.HashMap;
import java.util.Map;
import org.h2.mvstore.DataUtils;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;

/** The one file that holds a practice's data, as it lies on the disk. */
final class DataFile {

    private static final String SUFFIX = ".mv.db";
    private static final int BLOCK = 4096;
    private static final int HEX = 16;
    static final String FROM_BACKUP = "Move it aside, put a backup in its place (README: Back it up) and start again.";

    private final Path path;

    /** @param name path of the file without its ending, as the settings name it */
    DataFile(Path name) {
        this.path = Path.of(name.toAbsolutePath() + SUFFIX);
    }

    /** The file that a JDBC address of H2 names, or {@code null} where it names none. */
    static DataFile of(String url) {
        String prefix = "jdbc:h2:";
        if (!url.startsWith(prefix)) {
            return null;
        }
        String place = url.substring(prefix.length()).replaceFirst(";.*", "");
        if (place.startsWith("mem:") || place.startsWith("tcp:") || place.startsWith("ssl:")) {
            return null;
        }
        return new DataFile(Path.of(place.replaceFirst("^([a-z]+:)+", "")));
    }

    Path path() {
        return path;
    }

    /** Path without the ending, as the database wants it. */
    String name() {
        String whole = path.toString();
        return whole.substring(0, whole.length() - SUFFIX.length());
    }

    /** Another file beside it: same name, a word more. */
    DataFile beside(String word) {
        return new DataFile(Path.of(name() + "." + word));
    }

    boolean exists() {
        return Files.exists(path);
    }

    long size() {
        try {
            return Files.exists(path) ? Files.size(path) : 0;
        } catch (IOException e) {
            return 0;
        }
    }

    /** Bytes that may still be written on its disk. */
    long room() {
        try {
            return Files.getFileStore(Files.exists(path) ? path : path.getParent())
                    .getUsableSpace();
        } catch (IOException e) {
            return 0;
        }
    }

    /** Makes its folder, readable by its owner only where it is new. */
    void makeFolder() {
        Path folder = path.getParent();
        try {
            if (!Files.isDirectory(folder)) {
                Files.createDirectories(folder);
                ownerOnly(folder, "rwx------");
            }
        } catch (IOException e) {
            throw new StorageException(
                    "The folder " + folder + " can't be made (" + e.getMessage() + ").",
                    "Give a folder that the server may write to with --morphotera.data.",
                    e);
        }
    }

    /** Nobody but its owner may read it. */
    void ownerOnly() {
        if (exists()) {
            try {
                ownerOnly(path, "rw-------");
            } catch (IOException e) {
                throw new StorageException(
                        "Who may read " + path + " can't be set (" + e.getMessage() + ").",
                        "Let the file belong to the account that runs the server.",
                        e);
            }
        }
    }

    private static void ownerOnly(Path what, String mode) throws IOException {
        if (Files.getFileStore(what).supportsFileAttributeView("posix")) {
            Files.setPosixFilePermissions(what, PosixFilePermissions.fromString(mode));
        }
    }

    /**
     * Looks whether the file is whole, without opening the database: its head, and that every part that the head and
     * the list of parts name lies within it.
     *
     * @throws StorageException naming what is wrong and the way back
     */
    void requireWhole() {
        long size = size();
        if (size == 0) {
            throw new StorageException(
                    "The data file " + path + " is empty: a copy or a disk went wrong.",
                    "Put a backup in its place and start again, or, for a new practice, remove it first.");
        }
        long version = versionOfHead(size);
        try (MVStore store = new MVStore.Builder()
                .fileName(path.toString())
                .readOnly()
                .backgroundExceptionHandler((thread, e) -> {})
                .open()) {
            if (store.getCurrentVersion() < version) {
                // it would be opened as it was earlier: what came after that lies beyond its end
                throw cutOff(size);
            }
            for (Map.Entry<String, String> each : store.getLayoutMap().entrySet()) {
                if (each.getKey().startsWith("chunk.")) {
                    Map<String, String> chunk = parts(each.getValue());
                    if (!"0".equals(chunk.get("livePages"))) {
                        requireWithin(number(chunk, "block") + number(chunk, "len"), size);
                    }
                }
            }
        } catch (MVStoreException e) {
            if (e.getErrorCode() == DataUtils.ERROR_FILE_LOCKED) {
                throw inUse(e);
            }
            throw damaged(e);
        } catch (IllegalArgumentException | IllegalStateException | UnsupportedOperationException e) {
            throw damaged(e);
        }
    }

    /** The version that the head names as written; the newest may be later, and is never earlier. */
    private long versionOfHead(long size) {
        ByteBuffer head = ByteBuffer.allocate(2 * BLOCK);
        try (FileChannel in = FileChannel.open(path, StandardOpenOption.READ)) {
            while (head.hasRemaining() && in.read(head) >= 0) {
                // until the two blocks are read, or the file ends
            }
        } catch (IOException e) {
            throw damaged(e);
        }
        Map<String, String> first = null;
        for (int at = 0; at + 2 < head.position() && first == null; at += BLOCK) {
            String text =
                    new String(head.array(), at, Math.min(BLOCK, head.position() - at), StandardCharsets.ISO_8859_1);
            if (text.startsWith("H:") && text.indexOf('\n') > 0) {
                first = parts(text.substring(0, text.indexOf('\n')));
            }
        }
        if (first == null) {
            throw damaged(null);
        }
        if (first.containsKey("clean")) {
            requireWithin(number(first, "block") + 1, size);
            return number(first, "version");
        }
        // after a cut of the power the head may have arrived before the last parts that it names
        return number(first, "version") - StorageConfiguration.VERSIONS_KEPT;
    }

    private void requireWithin(long endBlock, long size) {
        if (endBlock * BLOCK > (size + BLOCK - 1) / BLOCK * BLOCK) {
            throw cutOff(size);
        }
    }

    private StorageException cutOff(long size) {
        return new StorageException(
                "The data file " + path + " ends before its data does: it was cut off at " + size + " bytes.",
                FROM_BACKUP);
    }

    private static Map<String, String> parts(String text) {
        Map<String, String> parts = new HashMap<>();
        for (String part : text.split(",")) {
            int colon = part.indexOf(':');
            if (colon > 0) {
                parts.put(part.substring(0, colon), part.substring(colon + 1));
            }
        }
        return parts;
    }

    private long number(Map<String, String> parts, String name) {
        try {
            return parts.containsKey(name) ? Long.parseLong(parts.get(name), HEX) : 0;
        } catch (NumberFormatException e) {
            throw damaged(e);
        }
    }

    StorageException damaged(Throwable cause) {
        return new StorageException("The data file " + path + " can't be read: it is damaged.", FROM_BACKUP, cause);
    }

    StorageException inUse(Throwable cause) {
        return new FileInUseException(path, cause);
    }

    /** A copy of it under another name, on the disk when this returns. */
    void copyTo(DataFile other) throws IOException {
        Files.copy(path, other.path, StandardCopyOption.REPLACE_EXISTING, LinkOption.NOFOLLOW_LINKS);
        other.ownerOnly();
        force(other.path);
    }

    /** Takes the place of another file, whole or not at all. */
    void replace(DataFile other) throws IOException {
        force(path);
        Files.move(path, other.path, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        try (FileChannel folder = FileChannel.open(other.path.getParent(), StandardOpenOption.READ)) {
            folder.force(true);
        } catch (IOException e) {
            // a system that syncs no folders: the rename is as safe as it can be there
        }
    }

    void delete() throws IOException {
        Files.deleteIfExists(path);
    }

    private static void force(Path file) throws IOException {
        try (FileChannel out = FileChannel.open(file, StandardOpenOption.WRITE)) {
            out.force(true);
        }
    }
}
