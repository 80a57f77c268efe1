package org.morphotera.server.methods;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.morphotera.core.DataFiles;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.text.Messages;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.info.BuildProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Reads the core's data files, and a practice's own benchmarks over them; a file that doesn't fit stops the start. */
@Configuration
class CoreFiles {

    private static final int HASH_DIGITS = 16;

    /** The data files in force, for the page's own copy of the core. */
    record CoreTexts(Map<String, String> benchmarks, Map<String, String> messages, Map<String, String> evidence) {}

    @Bean
    CoreTexts coreTexts(@Value("${morphotera.benchmarks}") String folder, MethodRegistry methods) throws IOException {
        Map<String, String> benchmarks = shipped(DataFiles.benchmarks(methods));
        Benchmarks checked = Benchmarks.parse(benchmarks);
        if (!folder.isBlank()) {
            try (Stream<Path> files = Files.list(Path.of(folder))) {
                for (Path file : files.filter(Files::isRegularFile)
                        .filter(file -> !isEvidence(file))
                        .sorted()
                        .toList()) {
                    String text = Files.readString(file);
                    checked = checked.with(file.getFileName().toString(), text);
                    benchmarks.put("own " + file.getFileName(), text);
                }
            }
        }
        return new CoreTexts(benchmarks, shipped(DataFiles.messages(methods)), evidence(folder));
    }

    @Bean
    Benchmarks benchmarks(CoreTexts texts) {
        return Benchmarks.parse(texts.benchmarks());
    }

    /** What findings say of constraints; a practice's {@code evidence*.txt} in its folder override sections. */
    private static Map<String, String> evidence(String folder) throws IOException {
        Map<String, String> files = shipped(DataFiles.evidence());
        if (!folder.isBlank()) {
            try (Stream<Path> own = Files.list(Path.of(folder))) {
                for (Path file : own.filter(CoreFiles::isEvidence).sorted().toList()) {
                    files.put("own " + file.getFileName(), Files.readString(file));
                }
            }
        }
        return files;
    }

    @Bean
    EvidenceTables evidenceTables(CoreTexts texts) {
        return EvidenceTables.parse(texts.evidence());
    }

    private static boolean isEvidence(Path file) {
        return Files.isRegularFile(file) && file.getFileName().toString().startsWith("evidence");
    }

    /** The version is the build's; classes that were never packaged say so. */
    @Bean
    RulesInForce rulesInForce(CoreTexts texts, ObjectProvider<BuildProperties> build) {
        BuildProperties built = build.getIfAvailable();
        return new RulesInForce(built == null ? "unpackaged" : built.getVersion(), hash(texts.benchmarks()));
    }

    static String hash(Map<String, String> texts) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            texts.forEach((name, text) -> {
                digest.update(name.getBytes(StandardCharsets.UTF_8));
                digest.update((byte) 0);
                digest.update(text.getBytes(StandardCharsets.UTF_8));
                digest.update((byte) 0);
            });
            return HexFormat.of().formatHex(digest.digest()).substring(0, HASH_DIGITS);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e); // every JDK has it
        }
    }

    @Bean
    Messages messages(CoreTexts texts) {
        return Messages.parse(texts.messages());
    }

    @Bean
    MethodRegistry methodRegistry() {
        return Methods.all();
    }

    private static Map<String, String> shipped(List<String> paths) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String path : paths) {
            try (InputStream in = DataFiles.class.getResourceAsStream(path)) {
                if (in == null) {
                    throw new IllegalStateException("the data file " + path + " is missing");
                }
                texts.put(path, new String(in.readAllBytes(), StandardCharsets.UTF_8));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return texts;
    }
}
