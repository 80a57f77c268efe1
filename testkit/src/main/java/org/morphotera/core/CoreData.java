package org.morphotera.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.text.Messages;

/** The shipped data files, read for tests: the core itself reads nothing. */
public final class CoreData {

    public static final Benchmarks BENCHMARKS = Benchmarks.parse(texts(DataFiles.benchmarks(Methods.all())));
    public static final Messages MESSAGES = Messages.parse(texts(DataFiles.messages(Methods.all())));
    public static final EvidenceTables EVIDENCE = EvidenceTables.parse(texts(DataFiles.evidence()));

    private CoreData() {}

    public static Map<String, String> texts(List<String> paths) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String path : paths) {
            texts.put(path, resource(path));
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
