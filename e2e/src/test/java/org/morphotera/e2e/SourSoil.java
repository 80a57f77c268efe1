package org.morphotera.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.morphotera.core.DataFiles;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.text.Messages;
import org.morphotera.training.TrainingGround;

/** Finds a made-up soil of a known truth, as the core deals it. */
final class SourSoil {

    private SourSoil() {}

    /** The number of the first clear soil whose worst limit is a sour topsoil. */
    static String number() {
        TrainingGround ground = new TrainingGround(
                Methods.all(),
                Benchmarks.parse(texts(DataFiles.benchmarks(Methods.all()))),
                EvidenceTables.parse(texts(DataFiles.evidence())),
                Messages.parse(texts(DataFiles.messages(Methods.all()))));
        return String.valueOf(IntStream.range(0, 2000)
                .filter(seed -> {
                    List<?> truth =
                            (List<?>) ground.verdict(Map.of("seed", seed, "level", "clear"), List.of(), null, null)
                                    .get("truth");
                    return truth.get(0).toString().contains("constraint=acidity");
                })
                .findFirst()
                .orElseThrow());
    }

    private static Map<String, String> texts(List<String> paths) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String path : paths) {
            try (InputStream in = SourSoil.class.getResourceAsStream(path)) {
                texts.put(path, new String(in.readAllBytes(), StandardCharsets.UTF_8));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return texts;
    }
}
