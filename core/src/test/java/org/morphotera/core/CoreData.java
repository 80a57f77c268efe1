package org.morphotera.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Messages;
import org.morphotera.core.limits.EvidenceTables;

/** The shipped data files, read for tests: the core itself reads nothing. */
public final class CoreData {

    public static final Benchmarks BENCHMARKS = Benchmarks.parse(texts("benchmarks", DataFiles.BENCHMARKS));
    public static final Messages MESSAGES = Messages.parse(texts("messages", DataFiles.MESSAGES));

    public static final EvidenceTables EVIDENCE = EvidenceTables.parse(texts("evidence", DataFiles.EVIDENCE));

    private CoreData() {}

    public static Map<String, String> texts(String folder, List<String> names) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String name : names) {
            texts.put(name, resource("/morphotera/" + folder + "/" + name));
        }
        return texts;
    }

    public static String resource(String path) {
        try (InputStream in = CoreData.class.getResourceAsStream(path)) {
            if (in == null) {
                throw new IllegalStateException("no resource " + path);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
