package org.morphotera.core.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.tools.ToolProvider;

/**
 * Puts another value into named constants of rules, one by one in a copy, and runs the core's quick tests on each: a rule
 * whose constant can be changed unnoticed is held by no test.
 */
final class Mutations {

    private static final Path SOURCES = Path.of("core/src/main/java/org/morphotera/core");
    private static final Path LIST = Path.of("core/src/test/resources/mutations.txt");
    private static final int MAY_SURVIVE = 2;

    /** One constant and the value put in its place. */
    private record Mutation(String file, String constant, String value) {

        static Mutation of(String line) {
            String[] parts = line.split("\\|");
            return new Mutation(parts[0].strip(), parts[1].strip(), parts[2].strip());
        }

        String className() {
            return file.substring(file.lastIndexOf('/') + 1);
        }
    }

    private Mutations() {}

    /** Run in the project's folder; exits with 1 where more than two of the changes go unnoticed. */
    public static void main(String[] args) throws Exception {
        List<Mutation> all = Files.readAllLines(LIST).stream()
                .filter(line -> line.contains("|") && !line.startsWith("#"))
                .map(Mutation::of)
                .filter(each -> args.length == 0 || each.constant().equals(args[0]))
                .toList();
        String unchanged = failing(Path.of("none"));
        if (unchanged != null) {
            throw new IllegalStateException("the tests fail as it is: " + unchanged);
        }
        int noticed = 0;
        for (Mutation each : all) {
            String by = noticedBy(each);
            noticed += by == null ? 0 : 1;
            System.out.printf(
                    "%-58s %s%n",
                    each.file() + " " + each.constant() + " = " + each.value(), by == null ? "NOT NOTICED" : by);
        }
        System.out.println(noticed + " of " + all.size() + " changes noticed");
        System.exit(noticed >= all.size() - MAY_SURVIVE ? 0 : 1);
    }

    /** The test that failed; {@code null} where none did. */
    private static String noticedBy(Mutation mutation) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("mutation");
        List<String> sources = new ArrayList<>();
        Path changed = SOURCES.resolve(mutation.file() + ".java");
        String before = Files.readString(changed);
        String after = before.replaceFirst(
                "(static final \\w+ " + mutation.constant() + " = )[^;]+;", "$1" + mutation.value() + ";");
        if (after.equals(before)) {
            throw new IllegalStateException(changed + " has no constant " + mutation.constant() + " of another value");
        }
        Path copy = folder.resolve(changed.getFileName());
        Files.writeString(copy, after);
        sources.add(copy.toString());
        // the value is copied into every class that names it
        try (Stream<Path> files = Files.walk(SOURCES)) {
            for (Path file :
                    files.filter(each -> each.toString().endsWith(".java")).toList()) {
                if (!file.equals(changed)
                        && Files.readString(file).contains(mutation.className() + "." + mutation.constant())) {
                    sources.add(file.toString());
                }
            }
        }
        Path classes = Files.createDirectories(folder.resolve("classes"));
        String path = System.getProperty("java.class.path");
        List<String> compile = new ArrayList<>(
                List.of("-proc:none", "-nowarn", "-d", classes.toString(), "-cp", path, "--release", "17"));
        compile.addAll(sources);
        if (ToolProvider.getSystemJavaCompiler().run(null, null, null, compile.toArray(String[]::new)) != 0) {
            throw new IllegalStateException(mutation + " does not compile");
        }
        return failing(classes);
    }

    /** The first test that fails with some classes before the others; {@code null} where none does. */
    private static String failing(Path classes) throws IOException, InterruptedException {
        String path = System.getProperty("java.class.path");
        Process tests = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:+UseSerialGC",
                        "-cp",
                        classes + System.getProperty("path.separator") + path,
                        QuickTests.class.getName())
                .directory(Path.of("core").toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(tests.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return tests.waitFor() == 0
                ? null
                : said.strip().lines().reduce((first, second) -> second).orElse("failed");
    }
}
