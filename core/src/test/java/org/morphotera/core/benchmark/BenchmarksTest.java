package org.morphotera.core.benchmark;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.Methods;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.RecordedTest;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.DataTextException;
import org.morphotera.core.text.Messages;

class BenchmarksTest {

    @Test
    void curvesAreLinearBetweenPointsAndFlatOutside() {
        Curve curve = CoreData.BENCHMARKS.curve("drainage.planting-bed");
        assertThat(curve.at(-5)).isZero();
        assertThat(curve.at(6.35)).isEqualTo(0.125);
        assertThat(curve.at(1000)).isEqualTo(0.3);
        assertThat(curve.highestBetween(40, 60)).isEqualTo(1);
        assertThat(curve.lowestBetween(40, 60)).isEqualTo(Math.min(curve.at(40), curve.at(60)));
    }

    @Test
    void bandsIncludeTheirLimitOnlyWhereWritten() {
        assertThat(CoreData.BENCHMARKS.bands("permeability").of(1.5)).isEqualTo("slow");
        assertThat(CoreData.BENCHMARKS.bands("hole.planting-bed").of(76.2)).isEqualTo("good");
        assertThat(CoreData.BENCHMARKS.bands("hole.planting-bed").of(76.21)).isEqualTo("too-fast");
    }

    @Test
    void whatWasConvertedOntoALimitLiesOnIt() {
        assertThat(CoreData.BENCHMARKS.bands("hole.rain-garden").of(203.2 / 960 * 60))
                .isEqualTo("suitable");
        assertThat(CoreData.BENCHMARKS.bands("hole.rain-garden").of(12.69999)).isEqualTo("too-tight");
    }

    @Test
    void aLaboratorysBandsMayBeAddedOrTakeThePlaceOfTheStarter() {
        String bands =
                "[bands lab.%s]\nsource = Made-up laboratory, own extraction\nbands = low <15; good <=30; high\n";
        Benchmarks own = CoreData.BENCHMARKS.with("own.txt", bands.formatted("p") + bands.formatted("s"));
        assertThat(own.bands("lab.p").of(20)).isEqualTo("good");
        assertThat(own.bands("lab.s").of(31)).isEqualTo("high");
        assertThat(CoreData.BENCHMARKS.bands("lab.p").of(20)).isEqualTo("middle");
        assertThat(CoreData.BENCHMARKS.hasBands("lab.s")).isFalse();
    }

    @Test
    void aPracticeReplacesOneCurveByAFileOfTheSameShape() {
        Benchmarks own = CoreData.BENCHMARKS.with(
                "own.txt", "[curve drainage.planting-bed]\nsource = ours\npoints = 0:0 10:1\n");
        assertThat(own.curve("drainage.planting-bed").at(5)).isEqualTo(0.5);
        assertThat(CoreData.BENCHMARKS.curve("drainage.planting-bed").at(5)).isLessThan(0.2);
        assertThat(own.bands("permeability")).isEqualTo(CoreData.BENCHMARKS.bands("permeability"));
    }

    @Test
    void whatIsWrittenAsASectionIsReadAsItWas() {
        StringBuilder all = new StringBuilder();
        CoreData.BENCHMARKS.curves().forEach(curve -> all.append(curve.section()));
        CoreData.BENCHMARKS.bands().forEach(bands -> all.append(bands.section()));
        Benchmarks again = CoreData.BENCHMARKS.with("all.txt", all.toString());
        assertThat(again.curves()).isEqualTo(CoreData.BENCHMARKS.curves()).hasSizeGreaterThan(20);
        assertThat(again.bands()).isEqualTo(CoreData.BENCHMARKS.bands()).hasSizeGreaterThan(8);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "[curve drainage.planting-bed]\nsource = ours\npoints = 10:1 0:0",
                "[curve drainage.planting-bed]\nsource = ours\npoints = 0:0 10:7",
                "[curve drainage.planting-bed]\npoints = 0:0 10:1",
                "[curve unheard-of]\nsource = ours\npoints = 0:0 10:1",
                "[bands permeability]\nsource = ours\nbands = slow <5; fast",
                "[table texture.typical]\nsource = ours\ncolumns = sandPct\nsand = 90",
                "[dial drainage]\nsource = ours",
                "points = 1:1",
                "[curve drainage.planting-bed]\nsource ours"
            })
    void refusesAnOverrideThatDoesNotFitAndNamesTheFile(String text) {
        assertThatThrownBy(() -> CoreData.BENCHMARKS.with("own.txt", text))
                .isInstanceOf(DataTextException.class)
                .hasMessageContaining("own.txt, line");
    }

    @Test
    void messagesFillPlaceholders() {
        Messages messages =
                Messages.parse(Map.of("en", "[word]\nsilt-loam = silt loam\n[a]\nb = {x} mm of {soil}, {none}"));
        assertThat(messages.text(java.util.List.of("a.b"), Map.of("x", 12.0, "soil", "silt-loam")))
                .isEqualTo("12 mm of silt loam, –");
        assertThat(messages.text("a.unknown")).isEqualTo("a.unknown");
    }

    /** The example in docs/examples is taken as it is, and its classes are states of findings. */
    @Test
    void theExampleOfALaboratorysBandsFits() throws IOException {
        Map<String, String> files = new LinkedHashMap<>(CoreData.texts(DataFiles.benchmarks(Methods.all())));
        files.put("own.txt", Files.readString(Path.of("../docs/examples/laboratory-bands.txt")));
        Benchmarks own = Benchmarks.parse(files);
        Map<String, Object> readings = Map.of(
                "analytes",
                List.of(
                        Map.of("code", "p", "value", 12, "unit", "mg/kg"),
                        Map.of("code", "k", "value", 300, "unit", "ppm")));
        Outcome outcome = Methods.all().evaluate("lab-result", Map.of("readings", readings), own);
        Envelope envelope = Envelope.of(((Outcome.Evaluated) outcome).evaluation(), CoreData.MESSAGES);
        assertThat(envelope.classes()).containsEntry("p", "low").containsEntry("k", "high");
        assertThat(envelope.hasNote("NO_BAND")).isFalse();
        for (String finding : List.of("lab-phosphorus", "lab-potassium")) {
            assertThat(CoreData.EVIDENCE.kind(finding).states()).containsExactly("low", "middle", "high");
        }
        assertThat(RecordedTest.of(Methods.all().get("lab-result"), readings, envelope, null)
                        .sightings())
                .extracting(Sighting::finding)
                .contains("lab-phosphorus", "lab-potassium");
    }
}
