package org.morphotera.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/** Every fault is found, named by its path, and told with its remedy. */
class ParsedFieldsTest {

    private enum Mode implements Coded {
        QUICK,
        SLOW
    }

    private record Reading(Double depthMm, Integer count) {}

    private record Readings(
            Mode mode,
            Double tempC,
            Boolean wet,
            Integer worms,
            String label,
            List<Mode> kinds,
            List<Double> ec,
            Map<String, Integer> counts,
            List<Reading> rows,
            Reading part) {}

    private static Readings read(Fields fields) {
        return new Readings(
                fields.word("mode", List.of(Mode.values()), Need.REQUIRED),
                fields.number("tempC", Unit.CELSIUS, Range.TEMPERATURE_C, Need.when("mode", Mode.SLOW)),
                fields.flag("wet", Need.OPTIONAL),
                fields.count("worms", Range.COUNT, Need.OPTIONAL),
                fields.text("label", 10, Need.OPTIONAL),
                fields.words("kinds", List.of(Mode.values()), false, Range.between(1, 3), Need.OPTIONAL),
                fields.numbers("ec", Unit.DS_PER_M, Range.EC.over("TOO_SALTY"), Range.between(1, 3), Need.OPTIONAL),
                fields.counts("counts", Range.COUNT, Need.OPTIONAL),
                fields.list("rows", Range.between(1, 3), Need.OPTIONAL, ParsedFieldsTest::row),
                fields.group("part", Need.OPTIONAL, ParsedFieldsTest::row));
    }

    private static Reading row(Fields fields) {
        return new Reading(
                fields.number("depthMm", Unit.MM, Range.above(0, 5000), Need.REQUIRED),
                fields.count("count", Range.COUNT, Need.OPTIONAL));
    }

    private static final List<Fault> LAST = new ArrayList<>();

    private static Readings parsed(Object tree) {
        Faults faults = new Faults();
        Readings read =
                ParsedFields.read("", tree, ParsedFieldsTest::read, faults).value();
        LAST.clear();
        LAST.addAll(faults.found());
        return read;
    }

    private static Map<String, Object> quick(String name, Object value) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("mode", "quick");
        tree.put(name, value);
        return tree;
    }

    static Stream<Arguments> faults() {
        return Stream.of(
                Arguments.of(quick("mode", "fast"), "mode WORD"),
                Arguments.of(quick("mode", 3), "mode TYPE"),
                Arguments.of(quick("wet", "yes"), "wet TYPE"),
                Arguments.of(quick("worms", 2.5), "worms NOT_WHOLE"),
                Arguments.of(quick("worms", -1), "worms RANGE"),
                Arguments.of(quick("worms", "2"), "worms TYPE"),
                Arguments.of(quick("label", "far too long a label"), "label TOO_LONG"),
                Arguments.of(quick("kinds", List.of("quick", "quick")), "kinds REPEATED"),
                Arguments.of(quick("kinds", List.of("quick", "fast")), "kinds[1] WORD"),
                Arguments.of(quick("kinds", List.of()), "kinds TOO_FEW"),
                Arguments.of(quick("kinds", "quick"), "kinds TYPE"),
                Arguments.of(quick("ec", List.of(1, 2, 3, 4)), "ec TOO_MANY"),
                Arguments.of(quick("ec", List.of(1, 250)), "ec[1] TOO_SALTY"),
                Arguments.of(quick("ec", List.of(1, -1)), "ec[1] RANGE"),
                Arguments.of(quick("ec", Arrays.asList(1, null)), "ec[1] TYPE"),
                Arguments.of(quick("counts", Map.of("ant", 1.5)), "counts.ant NOT_WHOLE"),
                Arguments.of(quick("counts", List.of(1)), "counts TYPE"),
                Arguments.of(quick("rows", List.of(Map.of("depthMm", 0))), "rows[0].depthMm RANGE_ABOVE"),
                Arguments.of(quick("rows", List.of(Map.of())), "rows[0].depthMm MISSING"),
                Arguments.of(quick("rows", List.of(7)), "rows[0] TYPE"),
                Arguments.of(quick("part", Map.of("depthMm", 10, "colour", "red")), "part.colour UNKNOWN"),
                Arguments.of(quick("part", List.of()), "part TYPE"),
                Arguments.of(quick("tempF", 60), "tempF UNKNOWN"),
                Arguments.of(quick("tempC", "warm"), "tempC TYPE"),
                Arguments.of(Map.of("mode", "slow"), "tempC MISSING"),
                Arguments.of(Map.of("mode", "slow", "tempC", Double.NaN), "tempC TYPE"),
                Arguments.of(Map.of("mode", "slow", "tempC", 71), "tempC RANGE"),
                Arguments.of(Map.of(), "mode MISSING"));
    }

    @ParameterizedTest
    @MethodSource("faults")
    void aFaultHasItsPathAndItsCodeAndIsToldInWords(Map<String, Object> tree, String expected) {
        parsed(tree);
        assertThat(LAST).extracting(fault -> fault.field() + " " + fault.code()).containsExactly(expected);
        FaultText told = FaultText.of(LAST, CoreData.MESSAGES).get(0);
        if (!expected.endsWith("TOO_SALTY")) {
            assertThat(told.message()).isNotBlank().doesNotContain("{").endsWith(".");
        }
    }

    @Test
    void everyFaultIsFoundAtOnce() {
        Map<String, Object> tree = quick("wet", "yes");
        tree.put("worms", -1);
        tree.put("rows", List.of(Map.of("depthMm", -5), Map.of("count", 1)));
        tree.put("odd", 1);
        parsed(tree);
        assertThat(LAST)
                .extracting(Fault::field)
                .containsExactlyInAnyOrder("wet", "worms", "rows[0].depthMm", "rows[1].depthMm", "odd");
    }

    @Test
    void soundReadingsComeOutAsTheyWere() {
        Map<String, Object> tree = quick("wet", true);
        tree.put("worms", 3.0);
        tree.put("label", "here");
        tree.put("kinds", List.of("slow", "quick"));
        tree.put("ec", List.of(1, 2.5));
        tree.put("counts", Map.of("ant", 4));
        tree.put("rows", List.of(Map.of("depthMm", 75)));
        tree.put("part", Map.of("depthMm", 10, "count", 2));
        Readings read = parsed(tree);
        assertThat(LAST).isEmpty();
        assertThat(read.mode()).isEqualTo(Mode.QUICK);
        assertThat(read.tempC()).isNull();
        assertThat(read.wet()).isTrue();
        assertThat(read.worms()).isEqualTo(3);
        assertThat(read.kinds()).containsExactly(Mode.SLOW, Mode.QUICK);
        assertThat(read.ec()).containsExactly(1.0, 2.5);
        assertThat(read.counts()).containsEntry("ant", 4);
        assertThat(read.rows().get(0).depthMm()).isEqualTo(75);
        assertThat(read.part().count()).isEqualTo(2);
    }

    @Test
    void aReadingOfAnotherModeDoesNotCountButMustMakeSense() {
        assertThat(parsed(quick("tempC", 15)).tempC()).isNull();
        assertThat(LAST).isEmpty();
        parsed(quick("tempC", 999));
        assertThat(LAST).extracting(Fault::code).containsExactly("RANGE");
    }

    @Test
    void whatIsNoObjectIsSaidToBeNone() {
        parsed(List.of(1));
        assertThat(LAST).extracting(Fault::code).containsExactly("TYPE");
        parsed(null);
        assertThat(LAST).hasSize(1);
    }

    @Test
    void anEndlessNameIsCutInItsFault() {
        parsed(quick("x".repeat(5000), 1));
        assertThat(LAST.get(0).field().length()).isLessThan(60);
    }
}
