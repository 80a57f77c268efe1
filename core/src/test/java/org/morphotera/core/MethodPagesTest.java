package org.morphotera.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.morphotera.core.method.Catalogue;
import org.morphotera.core.method.Catalogue.MethodEntry;
import org.morphotera.core.method.Catalogue.ReadingEntry;
import org.morphotera.core.method.Family;
import org.morphotera.core.soil.Numbers;

/**
 * The practitioners' pages in docs/methods say what the catalogue says: they are generated from it, and this test
 * fails when one is not current. {@code -Dmethods.write=true} writes them.
 */
class MethodPagesTest {

    private static final Path FOLDER = Path.of("../docs/methods");

    @ParameterizedTest
    @EnumSource(Family.class)
    void pageSaysWhatTheCatalogueSays(Family family) throws IOException {
        StringBuilder page = new StringBuilder("# ")
                .append(heading(family.code()))
                .append("\n\nGenerated from the method catalogue and the benchmark files of the core.\n");
        Methods.all().all().stream()
                .filter(method -> method.card().family() == family)
                .forEach(method -> write(Catalogue.entry(method, CoreData.MESSAGES, CoreData.BENCHMARKS), page));
        Path file = FOLDER.resolve(family.code() + ".md");
        if (Boolean.getBoolean("methods.write")) {
            Files.createDirectories(FOLDER);
            Files.writeString(file, page);
        }
        assertThat(file).content().isEqualTo(page.toString());
    }

    private static String heading(String code) {
        return code.substring(0, 1).toUpperCase(Locale.ROOT) + code.substring(1).replace('-', ' ');
    }

    private static void write(MethodEntry method, StringBuilder page) {
        page.append("\n## ")
                .append(method.title())
                .append("\n\n`")
                .append(method.id())
                .append("` · about ");
        page.append(method.handsOnMinutes())
                .append(" min of work\n\n")
                .append(method.purpose())
                .append("\n");
        list("You need", method.materials(), page);
        list("How", method.steps(), page);
        list("Clocks", method.timedSteps().stream().map(MethodPagesTest::clock).toList(), page);
        list("Conditions", method.conditions(), page);
        list("Mind", method.cautions(), page);
        page.append("\n**Readings**\n\n");
        readings(method.readings(), "", page);
        list("Figures", figures(method), page);
        list("How they are worked out", formulas(method.id()), page);
        list(
                "Benchmarks",
                method.indicators().stream().map(MethodPagesTest::indicator).toList(),
                page);
        list("Sources", method.sources(), page);
    }

    private static String clock(Catalogue.TimedStepEntry step) {
        return step.label()
                + (step.atSeconds() == null
                        ? ": when worked out from the readings"
                        : ": after " + Numbers.show(step.atSeconds()) + " s, give or take "
                                + Numbers.show(step.toleranceSeconds()) + " s");
    }

    private static void list(String title, List<String> items, StringBuilder page) {
        if (!items.isEmpty()) {
            page.append("\n**").append(title).append("**\n\n");
            items.forEach(item -> page.append("- ").append(item).append('\n'));
        }
    }

    private static void readings(List<ReadingEntry> entries, String indent, StringBuilder page) {
        for (ReadingEntry entry : entries) {
            page.append(indent)
                    .append("- ")
                    .append(entry.label())
                    .append(" (`")
                    .append(entry.name())
                    .append('`');
            if (entry.unit() != null) {
                page.append(", ").append(entry.unit());
            }
            if (entry.min() != null) {
                page.append(", ")
                        .append(Numbers.show(entry.min()))
                        .append(" to ")
                        .append(Numbers.show(entry.max()));
            }
            page.append(entry.required() ? ", needed)" : ")");
            if (!entry.options().isEmpty()) {
                page.append(": ")
                        .append(String.join(
                                "; ",
                                entry.options().stream()
                                        .map(Catalogue.OptionEntry::label)
                                        .toList()));
            }
            page.append(entry.help() == null ? "\n" : ". " + entry.help() + "\n");
            readings(entry.items(), indent + "  ", page);
        }
    }

    private static List<String> figures(MethodEntry method) {
        return method.labels().entrySet().stream()
                .map(label -> label.getValue() + " (`" + label.getKey() + "`)")
                .toList();
    }

    private static List<String> formulas(String id) {
        return CoreData.MESSAGES.under(id + ".formula.").values().stream().toList();
    }

    private static String indicator(Catalogue.IndicatorEntry indicator) {
        return indicator.label() + " (`" + indicator.id() + "`)"
                + (indicator.figure() == null ? "" : ", from `" + indicator.figure() + "`");
    }
}
