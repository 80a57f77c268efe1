package org.morphotera.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.morphotera.placement.AllCalculators;

/** What the README and the guide count, link and show is what is there. */
class ReadmeTest {

    private static final Path ROOT = Path.of("..");
    private static final int MOST_PICTURES = 19;
    private static final List<String> IN_WORDS = List.of(
            "none",
            "one",
            "two",
            "three",
            "four",
            "five",
            "six",
            "seven",
            "eight",
            "nine",
            "ten",
            "eleven",
            "twelve",
            "thirteen",
            "fourteen",
            "fifteen",
            "sixteen",
            "seventeen",
            "eighteen",
            "nineteen",
            "twenty");

    private static String read(Path file) throws IOException {
        return Files.readString(file);
    }

    private static Set<String> links(Path file) throws IOException {
        Matcher link = Pattern.compile("\\]\\(([^)#]+)[)#]").matcher(read(file));
        Set<String> links = new TreeSet<>();
        while (link.find()) {
            if (!link.group(1).contains("://")) {
                links.add(link.group(1));
            }
        }
        return links;
    }

    @Test
    void countsTheKindsOfTestAndTheCalculatorsThatThereAre() throws IOException {
        int methods = Methods.all().all().size();
        int calculators = AllCalculators.of(Methods.all()).all().size();
        isCounted("README.md", "\\d+(?= kinds of test)", String.valueOf(methods));
        isCounted("README.md", "\\w+(?= calculators)", IN_WORDS.get(calculators));
        isCounted("docs/guide/first-field.md", "(?<=all )\\d+(?= kinds)", String.valueOf(methods));
    }

    /** Holds a count to what there is; with {@code -Dcounts.write=true} it is written there. */
    private static void isCounted(String file, String where, String count) throws IOException {
        Path path = ROOT.resolve(file);
        String text = read(path);
        Matcher counted = Pattern.compile(where).matcher(text);
        assertThat(counted.find()).as("a count in " + file).isTrue();
        String right = text.substring(0, counted.start()) + count + text.substring(counted.end());
        if (Boolean.getBoolean("counts.write")) {
            Files.writeString(path, right);
        } else {
            assertThat(text).isEqualTo(right);
        }
    }

    @Test
    void everyPictureIsShownSomewhereAndThereAreFew() throws IOException {
        Set<String> shown = links(ROOT.resolve("README.md")).stream()
                .filter(link -> link.startsWith("docs/screenshots/"))
                .map(link -> link.substring("docs/screenshots/".length()))
                .collect(Collectors.toCollection(TreeSet::new));
        try (Stream<Path> files = Files.list(ROOT.resolve("docs/screenshots"))) {
            Set<String> there =
                    files.map(file -> file.getFileName().toString()).collect(Collectors.toCollection(TreeSet::new));
            assertThat(there).isEqualTo(shown).hasSizeLessThanOrEqualTo(MOST_PICTURES);
        }
    }

    @Test
    void everyPageOfTheGuideIsLinkedAndLinksToWhatIsThere() throws IOException {
        Path guide = ROOT.resolve("docs/guide");
        Set<String> linked = links(ROOT.resolve("README.md"));
        try (Stream<Path> pages = Files.list(guide)) {
            for (Path page : pages.toList()) {
                assertThat(linked).contains("docs/guide/" + page.getFileName());
                for (String link : links(page)) {
                    assertThat(guide.resolve(link)).as(page + " links " + link).exists();
                }
            }
        }
        for (String link : linked) {
            assertThat(ROOT.resolve(link)).as("README links " + link).exists();
        }
    }
}
