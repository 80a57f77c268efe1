package org.morphotera.server.storage.orderedfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.h2.engine.Constants;
import org.h2.store.fs.FileBase;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What lies on the disk before what, for the version of the database that it was tried with. */
class OrderedFileTest {

    private static final List<String> DONE = new ArrayList<>();

    /** A disk that notes what is asked of it. */
    public static final class NotingDisk extends FilePathWrapper {

        @Override
        public String getScheme() {
            return "noting";
        }

        @Override
        public FileChannel open(String mode) throws IOException {
            FileChannel real = getBase().open(mode);
            return new FileBase() {
                @Override
                public int write(ByteBuffer from, long at) throws IOException {
                    DONE.add("write " + at + "+" + from.remaining());
                    return real.write(from, at);
                }

                @Override
                public int read(ByteBuffer to, long at) throws IOException {
                    return real.read(to, at);
                }

                @Override
                public void force(boolean metaData) throws IOException {
                    DONE.add("sync");
                    real.force(metaData);
                }

                @Override
                public long size() throws IOException {
                    return real.size();
                }

                @Override
                public long position() throws IOException {
                    return real.position();
                }

                @Override
                public FileChannel position(long to) throws IOException {
                    real.position(to);
                    return this;
                }

                @Override
                public FileChannel truncate(long size) throws IOException {
                    real.truncate(size);
                    return this;
                }

                @Override
                public int read(ByteBuffer to) throws IOException {
                    return real.read(to);
                }

                @Override
                public int write(ByteBuffer from) throws IOException {
                    return real.write(from);
                }

                @Override
                protected void implCloseChannel() throws IOException {
                    real.close();
                }
            };
        }
    }

    @TempDir
    private Path folder;

    @BeforeAll
    static void know() {
        FilePath.register(new NotingDisk());
        OrderedFile.address("jdbc:h2:file:/none");
    }

    /** Another version may write otherwise: see the package's description for what has to be run first. */
    @Test
    void isOfTheVersionItWasTriedWith() {
        assertThat(Constants.VERSION).isEqualTo("2.4.240");
    }

    private List<String> writing(long at, byte[] bytes) throws IOException {
        try (FileChannel file =
                FilePath.get("ordered:noting:" + folder.resolve("file")).open("rw")) {
            DONE.clear();
            file.write(ByteBuffer.wrap(bytes), at);
            return List.copyOf(DONE);
        }
    }

    private static byte[] part(int length) {
        byte[] bytes = new byte[length];
        byte[] head = "chunk:".getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(head, 0, bytes, 0, head.length);
        return bytes;
    }

    @Test
    void aPartIsKnownOnlyAfterAllOfItIsOnTheDisk() throws IOException {
        assertThat(writing(8192, part(12288)))
                .containsExactly("write 8192+512", "write 8704+11776", "sync", "write 8192+1");
        assertThat(writing(8192, part(4096)))
                .containsExactly("write 8192+512", "write 8704+3584", "sync", "write 8192+1");
    }

    @Test
    void theHeadOfTheFileComesAfterThePartThatItNames() throws IOException {
        assertThat(writing(0, new byte[4096])).containsExactly("sync", "write 0+4096");
        assertThat(writing(8192, new byte[4096])).containsExactly("write 8192+4096");
    }

    @Test
    void whatIsWrittenIsRead() throws IOException {
        byte[] bytes = part(10000);
        bytes[9999] = 7;
        try (FileChannel file =
                FilePath.get("ordered:" + folder.resolve("read")).open("rw")) {
            file.write(ByteBuffer.wrap(bytes), 8192);
            ByteBuffer read = ByteBuffer.allocate(10000);
            file.read(read, 8192);
            assertThat(read.array()).isEqualTo(bytes);
        }
    }
}
