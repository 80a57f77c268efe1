package org.morphotera.core.indicator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.Methods;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.judgement.IndicatorModel;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.text.DataTextException;

/** Every indicator has its folder and its place in the list, and nothing of one lies elsewhere. */
class IndicatorsTest {

    private static final Path FOLDERS = Path.of("src/main/resources/org/morphotera/core/indicator");
    private static final Path SHARED = Path.of("src/main/resources/morphotera/benchmarks");

    @Test
    void whatMethodsRateIsAnIndicatorWithALabel() {
        assertThat(Indicators.all())
                .containsAll(Methods.all().all().stream()
                        .flatMap(each -> each.card().indicators().stream())
                        .map(MethodCard.Indicator::id)
                        .toList());
        assertThat(Indicators.all().stream().filter(each -> !each.equals("sap")))
                .allMatch(each -> CoreData.MESSAGES.has("word." + each));
    }

    @Test
    void foldersAndListAreTheSame() throws Exception {
        try (var folders = Files.list(FOLDERS)) {
            assertThat(folders.map(each -> each.getFileName().toString()).collect(Collectors.toSet()))
                    .isEqualTo(Indicators.all().stream().map(Indicators::folder).collect(Collectors.toSet()));
        }
    }

    @Test
    void aFolderSpeaksOfItsOwnIndicatorAlone() throws Exception {
        for (String indicator : Indicators.all()) {
            for (String file : List.of("benchmarks.txt", "texts.txt")) {
                Path path = FOLDERS.resolve(Indicators.folder(indicator)).resolve(file);
                String section = "";
                for (String line : Files.readAllLines(path)) {
                    section = line.startsWith("[") ? line : section;
                    boolean row = section.startsWith("[rows") || section.equals("[word]") || section.equals("[figure]");
                    if (row && line.contains(" = ")) {
                        assertThat(line).as(path.toString()).startsWith(indicator + " = ");
                    }
                }
            }
        }
    }

    @Test
    void sharedTablesOfIndicatorsHaveNoRowsOfTheirOwn() throws Exception {
        Set<String> heads = Set.of("columns", "source", "note", "other", "texture");
        String section = "";
        for (String line : Files.readAllLines(SHARED.resolve("scoring.txt"))) {
            section = line.startsWith("[") ? line : section;
            boolean ofIndicators = section.startsWith("[table function.") && !section.equals("[table function.rules]")
                    || section.equals("[table points.soil]")
                    || section.equals("[table points.plant]");
            if (ofIndicators && line.contains(" = ")) {
                assertThat(line.substring(0, line.indexOf(" = "))).as(section).isIn(heads);
            }
        }
    }

    @Test
    void everyIndicatorHasAModelOfItsReadings() {
        for (String indicator : Indicators.all()) {
            IndicatorModel model = IndicatorModel.of(indicator, CoreData.BENCHMARKS);
            assertThat(model.scatter(true).real())
                    .as(indicator)
                    .isGreaterThanOrEqualTo(model.scatter(false).real());
            assertThat(model.figures().source()).as(indicator).isNotBlank();
            double start = model.scatter(false).start();
            assertThat(model.scale().of(model.scale().figure(start)))
                    .as(indicator)
                    .isCloseTo(start, within(0.1));
        }
    }

    @Test
    void rowsNeedTheirTableAndComeOnce() {
        Map<String, String> texts = new LinkedHashMap<>(CoreData.texts(DataFiles.benchmarks(Methods.all())));
        texts.put("zz-own", "[rows points.soil]\nearthworms = 2\n");
        assertThatThrownBy(() -> Benchmarks.parse(texts)).isInstanceOf(DataTextException.class);
        assertThatThrownBy(() -> Benchmarks.parse(Map.of("own", "[rows points.none]\nearthworms = 2\n")))
                .isInstanceOf(DataTextException.class)
                .hasMessageContaining("there is no table points.none");
    }
}
