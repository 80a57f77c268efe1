package org.morphotera.server.storage.orderedfile;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;

/**
 * A file whose parts are known by their heads only once they are whole. The file database finds its newest part by head
 * and foot and looks at nothing between them; after a cut of the power these could be there and the middle not. So all
 * of a part is written with its first byte empty, and that byte, by which a part is known, once the rest is on the disk;
 * the head of the file comes after the part that it names. Addresses say {@code ordered:} before the path.
 */
public final class OrderedFile extends FilePathWrapper {

    static final String SCHEME = "ordered";

    private static final int BLOCK = 4096;
    /** What a disk writes whole or not at all, at the least. */
    private static final int SECTOR = 512;
    /** Before it lies the head of the file, twice. */
    private static final long FIRST_PART = 2L * BLOCK;

    private static final byte[] PART = "chunk:".getBytes(StandardCharsets.US_ASCII);

    /** The address of a file database, on files of this kind. */
    public static String address(String url) {
        FilePath.register(new OrderedFile());
        return url.replaceFirst("^jdbc:h2:(file:)?", "jdbc:h2:" + SCHEME + ":");
    }

    @Override
    public String getScheme() {
        return SCHEME;
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        FileChannel base = getBase().open(mode);
        return "r".equals(mode) ? base : new Ordered(base);
    }

    private static final class Ordered extends FileBaseDefault {

        private final FileChannel base;

        Ordered(FileChannel base) {
            this.base = base;
        }

        @Override
        public int write(ByteBuffer from, long at) throws IOException {
            int length = from.remaining();
            if (length < PART.length || !isPart(from)) {
                if (at < FIRST_PART) {
                    // the head of the file names a part: were that not there after a cut, the database would take the
                    // part at the end of the file for the newest, however old that is
                    base.force(false);
                }
                return base.write(from, at);
            }
            // in one write with the empty byte, so that no sector has the new head behind the first byte of an old one
            int startLength = Math.min(length, SECTOR);
            byte[] start = new byte[startLength];
            ByteBuffer rest = from.duplicate();
            rest.get(start);
            start[0] = 0;
            whole(ByteBuffer.wrap(start), at);
            whole(rest, at + startLength);
            // also for a part of one block: what it names was written before it and must be there before it
            base.force(false);
            ByteBuffer known = from.duplicate();
            known.limit(from.position() + 1);
            whole(known, at);
            from.position(from.limit());
            return length;
        }

        private static boolean isPart(ByteBuffer from) {
            for (int i = 0; i < PART.length; i++) {
                if (from.get(from.position() + i) != PART[i]) {
                    return false;
                }
            }
            return true;
        }

        private void whole(ByteBuffer from, long at) throws IOException {
            long next = at;
            while (from.hasRemaining()) {
                next += base.write(from, next);
            }
        }

        @Override
        public int read(ByteBuffer to, long at) throws IOException {
            return base.read(to, at);
        }

        @Override
        public long size() throws IOException {
            return base.size();
        }

        @Override
        public void force(boolean metaData) throws IOException {
            base.force(metaData);
        }

        @Override
        protected void implTruncate(long length) throws IOException {
            base.truncate(length);
        }

        @Override
        public FileLock tryLock(long position, long size, boolean shared) throws IOException {
            return base.tryLock(position, size, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            base.close();
        }
    }
}
