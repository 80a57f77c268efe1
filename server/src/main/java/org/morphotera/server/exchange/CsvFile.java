package org.morphotera.server.exchange;

import java.io.BufferedInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.NoSuchElementException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.morphotera.server.web.TextRule;

/**
 * Comma-separated values read line by line, never more of them in memory. Commas, semicolons and tabs are told apart by
 * the head. What can't be read ends the file with a fault of the line.
 */
public final class CsvFile implements AutoCloseable {

    private static final int LONGEST_CELL = 100_000;
    private static final int MOST_COLUMNS = 500;
    private static final int HEAD = 1 << 16;

    private final Counting counting;
    private final CSVParser parser;
    private final Iterator<CSVRecord> records;
    private final List<String> head;
    private long line;

    /** A file that can't be read from a line on. */
    public static final class Unreadable extends Exception {

        private static final long serialVersionUID = 1L;

        private final long line;

        Unreadable(long line, String message, Throwable cause) {
            super(message, cause);
            this.line = line;
        }

        public long line() {
            return line;
        }
    }

    /** How many bytes were read. */
    private static final class Counting extends FilterInputStream {

        private long bytes;

        private Counting(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            int read = super.read();
            bytes += read < 0 ? 0 : 1;
            return read;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int read = super.read(into, from, length);
            bytes += Math.max(0, read);
            return read;
        }
    }

    private CsvFile(InputStream in) throws IOException, Unreadable {
        counting = new Counting(new BufferedInputStream(in, HEAD));
        BufferedInputStream buffered = new BufferedInputStream(counting, HEAD);
        char separator = separator(buffered);
        Reader text = new InputStreamReader(
                buffered,
                StandardCharsets.UTF_8
                        .newDecoder()
                        .onMalformedInput(CodingErrorAction.REPORT)
                        .onUnmappableCharacter(CodingErrorAction.REPORT));
        parser = CSVParser.parse(
                text,
                CSVFormat.RFC4180
                        .builder()
                        .setDelimiter(separator)
                        .setIgnoreEmptyLines(true)
                        .setIgnoreSurroundingSpaces(true)
                        .setTrim(true)
                        .get());
        records = parser.iterator();
        head = new ArrayList<>();
        CSVRecord first = record();
        if (first == null) {
            throw new Unreadable(1, "The file is empty. Send one with a head and lines.", null);
        }
        for (String each : first) {
            // files of some programs begin with a mark of their order of bytes
            head.add(each.replace("\uFEFF", "").strip());
        }
    }

    public static CsvFile open(Path file) throws IOException, Unreadable {
        return open(Files.newInputStream(file));
    }

    /** @param in is closed with this, also where it can't be read */
    public static CsvFile open(InputStream in) throws IOException, Unreadable {
        try {
            return new CsvFile(in);
        } catch (IOException | Unreadable | RuntimeException e) {
            in.close();
            throw e;
        }
    }

    private static char separator(BufferedInputStream in) throws IOException {
        in.mark(HEAD);
        byte[] start = in.readNBytes(HEAD - 1);
        in.reset();
        String first =
                new String(start, StandardCharsets.UTF_8).lines().findFirst().orElse("");
        char best = ',';
        long most = 0;
        for (char each : new char[] {',', ';', '\t'}) {
            long count = first.chars().filter(c -> c == each).count();
            if (count > most) {
                most = count;
                best = each;
            }
        }
        return best;
    }

    /** Names of the columns, as they stand in the first line. */
    public List<String> head() {
        return head;
    }

    /** The number of the line that was read last; the head is 1 in most files. */
    public long line() {
        return line;
    }

    /** Bytes read so far, to tell how far it is. */
    public long bytes() {
        return counting.bytes;
    }

    /** The next line's cells, as many as the head has or fewer; {@code null} at the end. */
    public String[] next() throws Unreadable {
        CSVRecord record = record();
        if (record == null) {
            return null;
        }
        if (record.size() > head.size()) {
            throw new Unreadable(line, "It has more cells than the head. Put what holds commas into quotes.", null);
        }
        return Arrays.stream(record.values()).map(CsvTable::read).toArray(String[]::new);
    }

    private CSVRecord record() throws Unreadable {
        line = parser.getCurrentLineNumber() + 1;
        try {
            CSVRecord record = records.hasNext() ? records.next() : null;
            if (record != null) {
                check(record);
            }
            return record;
        } catch (UncheckedIOException | IllegalStateException | NoSuchElementException | IllegalArgumentException e) {
            boolean letters = e.getCause() instanceof java.nio.charset.CharacterCodingException;
            throw new Unreadable(
                    line,
                    letters
                            ? "It is not written in UTF-8. Save the file as UTF-8."
                            : "It can't be read: a quote is open or in the wrong place. Correct it.",
                    e);
        }
    }

    private void check(CSVRecord record) throws Unreadable {
        if (record.size() > MOST_COLUMNS) {
            throw new Unreadable(line, "It has more than " + MOST_COLUMNS + " cells. Leave some out.", null);
        }
        for (String cell : record) {
            if (cell.length() > LONGEST_CELL || !TextRule.showable(cell)) {
                throw new Unreadable(
                        line, "A cell is too long or holds a character that can't be shown. Correct it.", null);
            }
        }
    }

    /** Where a column is, by any of its names, small and capital letters alike; −1 where it is not. */
    public int column(String... names) {
        for (String name : names) {
            for (int i = 0; i < head.size(); i++) {
                if (head.get(i).toLowerCase(Locale.ROOT).equals(name)) {
                    return i;
                }
            }
        }
        return -1;
    }

    @Override
    public void close() throws IOException {
        parser.close();
    }
}
