package org.morphotera.server.storage;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;

/**
 * A disk whose power can be cut, and that can be full: what was written since the last sync is there in part and out of
 * order after a cut, as on a real one. Paths begin with {@code cut:}.
 */
public final class CutDisk extends FilePathWrapper {

    /** What a disk writes whole or not at all; a block of the file has eight of them. */
    private static final int SECTOR = 512;

    private static final Map<String, Journal> JOURNALS = new ConcurrentHashMap<>();
    private static volatile boolean full;

    /** Makes the disk known to the database. */
    static void install() {
        FilePath.register(new CutDisk());
        full = false;
    }

    static void full(boolean now) {
        full = now;
    }

    @Override
    public String getScheme() {
        return "cut";
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        FileChannel real = getBase().open(mode);
        return "r".equals(mode)
                ? real
                : new Watched(real, journal(Path.of(getBase().toString())));
    }

    private static Journal journal(Path file) throws IOException {
        Journal journal = JOURNALS.computeIfAbsent(file.toString(), name -> new Journal(Path.of(name + ".synced")));
        journal.begin(file);
        return journal;
    }

    /** The file as it would be found after a cut at this moment. */
    static void cut(Path file, Random random, Path to) throws IOException {
        JOURNALS.get(file.toString()).cut(random, to);
    }

    private record Write(long at, byte[] bytes, long length) {
        void apply(FileChannel out) throws IOException {
            if (bytes == null) {
                if (out.size() > length) {
                    out.truncate(length);
                }
            } else {
                out.write(ByteBuffer.wrap(bytes), at);
            }
        }
    }

    /** What the disk holds for sure, and what was written since. */
    private static final class Journal {

        private final Path synced;
        private final List<Write> since = new ArrayList<>();

        Journal(Path synced) {
            this.synced = synced;
        }

        synchronized void begin(Path file) throws IOException {
            since.clear();
            Files.deleteIfExists(synced);
            if (Files.exists(file)) {
                Files.copy(file, synced);
            } else {
                Files.createFile(synced);
            }
        }

        synchronized void write(long at, byte[] bytes) {
            since.add(new Write(at, bytes, 0));
        }

        synchronized void truncate(long length) {
            since.add(new Write(0, null, length));
        }

        synchronized void sync() throws IOException {
            try (FileChannel out = FileChannel.open(synced, StandardOpenOption.WRITE)) {
                for (Write write : since) {
                    write.apply(out);
                }
            }
            since.clear();
        }

        synchronized void cut(Random random, Path to) throws IOException {
            Files.copy(synced, to);
            try (FileChannel out = FileChannel.open(to, StandardOpenOption.WRITE)) {
                for (Write write : since) {
                    if (write.bytes() == null) {
                        continue;
                    }
                    for (int from = 0; from < write.bytes().length; from += SECTOR) {
                        if (random.nextBoolean()) {
                            int length = Math.min(SECTOR, write.bytes().length - from);
                            out.write(ByteBuffer.wrap(write.bytes(), from, length), write.at() + from);
                        }
                    }
                }
            }
        }
    }

    private static final class Watched extends FileBaseDefault {

        private final FileChannel real;
        private final Journal journal;

        Watched(FileChannel real, Journal journal) {
            this.real = real;
            this.journal = journal;
        }

        @Override
        public long size() throws IOException {
            return real.size();
        }

        @Override
        public int read(ByteBuffer to, long at) throws IOException {
            return real.read(to, at);
        }

        @Override
        public int write(ByteBuffer from, long at) throws IOException {
            if (full) {
                throw new IOException("No space left on device");
            }
            byte[] bytes = new byte[from.remaining()];
            from.duplicate().get(bytes);
            int written = real.write(from, at);
            journal.write(at, java.util.Arrays.copyOf(bytes, written));
            return written;
        }

        @Override
        public void force(boolean metaData) throws IOException {
            real.force(metaData);
            journal.sync();
        }

        @Override
        protected void implTruncate(long length) throws IOException {
            real.truncate(length);
            journal.truncate(length);
        }

        @Override
        public FileLock tryLock(long position, long size, boolean shared) throws IOException {
            return real.tryLock(position, size, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            real.close();
        }
    }
}
