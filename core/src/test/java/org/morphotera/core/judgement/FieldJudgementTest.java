package org.morphotera.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.judgement.IndicatorSeries.LevelFigure;
import org.morphotera.core.judgement.IndicatorSeries.Side;
import org.morphotera.core.judgement.IndicatorSeries.Told;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.TextureGroup;

/** What a judged field says of single readings, of what was done since, of keys and of patches. */
class FieldJudgementTest {

    private static final FigureScore.Place PLACE = new FigureScore.Place(TextureGroup.MEDIUM, "barley", LandUse.ARABLE);
    private static final LocalDate READ = LocalDate.of(2024, 4, 10);

    private final List<JudgedField.Stop> stops = new ArrayList<>();
    private final List<JudgedField.Visit> visits = new ArrayList<>(List.of(new JudgedField.Visit("v", READ, "A")));
    private final List<JudgedField.Event> events = new ArrayList<>();
    private final List<JudgedField.Reading> readings = new ArrayList<>();

    private void stop(String id, StopRole role) {
        stops.add(new JudgedField.Stop(id, id, role, null));
    }

    private void ph(String stop, String visit, double value, String kind, Source source) {
        readings.add(reading("ph", kind, false, stop, visit, 1, value, source));
    }

    private static JudgedField.Reading reading(
            String indicator,
            String kind,
            boolean apart,
            String stop,
            String visit,
            double score,
            double figure,
            Source source) {
        return new JudgedField.Reading(
                indicator + kind + stop + visit,
                indicator,
                "top-0-100",
                "method",
                kind,
                apart,
                source,
                stop,
                visit,
                score,
                figure,
                null,
                null,
                "pH",
                null,
                Set.of());
    }

    private FieldJudgement judged(LocalDate on) {
        return FieldJudgement.of(new JudgedField(on, PLACE, stops, visits, events, readings), CoreData.BENCHMARKS);
    }

    private void fourStops(double... values) {
        for (int i = 0; i < values.length; i++) {
            stop("s" + i, StopRole.ROUTINE);
            ph("s" + i, "v", values[i], "meter-1to5", Source.METER);
        }
    }

    @Test
    void aFieldIsItsStopsAndEachStopItsReadingMoreOrLess() {
        fourStops(5.2, 5.4, 5.6, 5.8);
        IndicatorSeries series = judged(READ).series().get(0);
        LevelFigure field = series.field();
        assertThat(field.value()).isBetween(5.4, 5.7);
        assertThat(field.low()).isLessThan(5.4);
        assertThat(field.high()).isGreaterThan(5.6);
        assertThat(field.readOn()).isEqualTo(READ);
        assertThat(series.stop("s0").value()).isBetween(5.2, 5.35);
        assertThat(series.stop("s3").value()).isBetween(5.6, 5.8);
        assertThat(series.stop("s0").level()).isLessThan(Level.ROBUST);
    }

    @Test
    void anOldReadingSaysLessAndLimeSinceItIsExpectedToHaveRaisedIt() {
        fourStops(5.2, 5.4, 5.6, 5.8);
        LevelFigure fresh = judged(READ).series().get(0).field();
        LevelFigure old = judged(READ.plusYears(9)).series().get(0).field();
        assertThat(old.value()).isCloseTo(fresh.value(), within(1e-9));
        assertThat(old.high() - old.low()).isGreaterThan(1.5 * (fresh.high() - fresh.low()));
        // 3.5 t/ha on a medium soil is half a unit; on two of the four stops a quarter for the field
        events.add(new JudgedField.Event("e", READ.plusDays(9), "lime", "Lime", 3.5, null));
        LevelFigure limed = judged(READ.plusYears(1)).series().get(0).field();
        assertThat(limed.value()).isCloseTo(fresh.value() + 0.5, within(1e-9));
        assertThat(limed.since()).hasSize(1);
        events.set(0, new JudgedField.Event("e", READ.plusDays(9), "lime", "Lime", 3.5, Set.of("s0", "s1")));
        assertThat(judged(READ.plusYears(1)).series().get(0).field().value())
                .isCloseTo(fresh.value() + 0.25, within(1e-9));
    }

    @Test
    void whatLiesAheadOfTheDayIsNotLookedAt() {
        fourStops(5.2, 5.4, 5.6, 5.8);
        visits.add(new JudgedField.Visit("later", READ.plusYears(2), "A"));
        ph("s0", "later", 7.5, "meter-1to5", Source.METER);
        assertThat(judged(READ.plusYears(1)).series().get(0).visits()).hasSize(1);
        assertThat(judged(READ.plusYears(2)).series().get(0).visits()).hasSize(2);
    }

    @Test
    void keysThatNeverCompareAreSeriesOfTheirOwn() {
        stop("s0", StopRole.ROUTINE);
        visits.add(new JudgedField.Visit("w", READ.plusYears(1), "A"));
        readings.add(reading("structure", "spade-block", true, "s0", "v", 0.25, 4, Source.METER));
        readings.add(reading("structure", "hand-break", true, "s0", "w", 0.5, 1, Source.METER));
        FieldJudgement judgement = judged(READ.plusYears(1));
        assertThat(judgement.series()).hasSize(2);
        assertThat(judgement.changes(null, null)).isEmpty();
        // a block is scored from 1, the best, to 5
        LevelFigure block = judgement.series().get(0).field();
        assertThat(block.value()).isCloseTo(5 - 4 * block.score(), within(1e-9));
        assertThat(judgement.face(null).findings()).hasSize(1);
    }

    @Test
    void aLaboratorySampleWeighsMoreThanAKitAndSilencesNone() {
        for (int i = 0; i < 4; i++) {
            stop("s" + i, StopRole.ROUTINE);
            ph("s" + i, "v", 6.4, "vial-kit", Source.KIT);
        }
        ph("s0", "v", 5.6, null, Source.LABORATORY);
        IndicatorSeries series = judged(READ).series().get(0);
        double byBoth = series.field().value();
        assertThat(byBoth).isBetween(5.6, 6.2);
        assertThat(series.stop("s0").value()).isBetween(5.55, 5.75);
        List<IndicatorSeries.Weight> weights = series.weights();
        assertThat(weights).hasSize(2);
        assertThat(weights.stream().mapToDouble(IndicatorSeries.Weight::share).sum())
                .isCloseTo(1, within(1e-9));
        IndicatorSeries.Weight kits = weights.get(0);
        IndicatorSeries.Weight laboratory = weights.get(1);
        assertThat(List.of(kits.kind(), laboratory.kind())).containsExactly("vial-kit", "laboratory");
        assertThat(kits.stops()).isEqualTo(4);
        assertThat(laboratory.share()).isGreaterThan(kits.share() / kits.stops());
    }

    @Test
    void patchesAreHeldAgainstEachOtherByWhatTheyAre() {
        for (int i = 0; i < 3; i++) {
            stop("p" + i, StopRole.POOR);
            stop("g" + i, StopRole.GOOD);
            ph("p" + i, "v", 4.6 + 0.1 * i, "meter-1to5", Source.METER);
            ph("g" + i, "v", 6.4 + 0.1 * i, "meter-1to5", Source.METER);
        }
        IndicatorSeries series = judged(READ).series().get(0);
        IndicatorSeries.PatchDifference apart = series.difference(Side.patch("poor"), Side.patch("good"));
        assertThat(apart.told()).isTrue();
        assertThat(apart.times()).isGreaterThan(1);
        assertThat(apart.better()).isEqualTo(1);
        assertThat(apart.other() - apart.one()).isCloseTo(apart.mean(), within(1e-9));
        assertThat(series.difference(Side.patch("poor"), Side.patch("reference")))
                .isNull();
        assertThat(new ChangeWords(CoreData.MESSAGES).apart(series, apart, "the poor patch", "the good patch"))
                .contains("in the good patch", "in the poor patch", "higher");
        // the poor patch leads where there are no routine stops
        assertThat(series.field().value()).isBetween(4.6, 5.2);
    }

    @Test
    void threeDatesMakeACourse() {
        stop("s0", StopRole.ROUTINE);
        stop("s1", StopRole.ROUTINE);
        for (int year = 0; year < 3; year++) {
            String visit = "y" + year;
            visits.add(new JudgedField.Visit(visit, READ.plusYears(year), "A"));
            ph("s0", visit, 5.2 + 0.3 * year, "meter-1to5", Source.METER);
            ph("s1", visit, 5.3 + 0.3 * year, "meter-1to5", Source.METER);
            IndicatorSeries series = judged(READ.plusYears(year)).series().get(0);
            if (year < 2) {
                assertThat(series.slope()).isNull();
            } else {
                assertThat(series.slope().aYear()).isBetween(0.1, 0.3);
                assertThat(series.slope().dates()).isEqualTo(3);
            }
        }
    }

    @Test
    void wordsGoByTheChance() {
        assertThat(FieldJudgement.verdict(0.951, 0.01)).isEqualTo("risen");
        assertThat(FieldJudgement.verdict(0.949, 0.01)).isEqualTo("probably-risen");
        assertThat(FieldJudgement.verdict(0.02, 0.81)).isEqualTo("probably-fallen");
        assertThat(FieldJudgement.verdict(0.79, 0.02)).isEqualTo("cannot-tell");
        assertThat(FieldJudgement.verdict(0.94, 0.0)).isEqualTo("probably-risen");
    }

    /** A meter's interval of 95 % is 1.96 of its standard deviations to either side, a kit's chips hold it anywhere between. */
    @Test
    void aReadingIsAsExactAsItsIntervalSays() {
        IndicatorModel ph = IndicatorModel.of("ph", CoreData.BENCHMARKS);
        assertThat(ph.sd("meter-1to5", Source.METER, 5.4, 6.6)).isCloseTo(0.6 / 1.96, within(1e-9));
        assertThat(ph.sd("meter-1to5", Source.METER, 5.95, 6.05)).isEqualTo(0.1);
        assertThat(ph.sd("vial-kit", Source.KIT, 5.5, 6.5)).isCloseTo(0.5 / Math.sqrt(3), within(1e-9));
        assertThat(ph.kindSd("vial-kit", Source.KIT)).isPositive();
        assertThat(ph.kindSd("meter-1to5", Source.METER)).isZero();
    }

    @Test
    void limeFitsAPhAndPloughingDoesNot() {
        IndicatorModel ph = IndicatorModel.of("ph", CoreData.BENCHMARKS);
        assertThat(ph.done("Lime, ground")).isPositive();
        assertThat(ph.done("ploughing")).isNull();
        assertThat(LimeAmount.tHa("lime", "3.5 t/ha in two passes")).isEqualTo(3.5);
        assertThat(LimeAmount.tHa("lime", "a good deal")).isNull();
        assertThat(LimeAmount.tHa("gypsum", "3 t/ha")).isNull();
    }

    @Test
    void figuresOfASentenceAreOfOneContrast() {
        fourStops(5.2, 5.4, 5.3, 5.5);
        visits.add(new JudgedField.Visit("w", READ.plusYears(1), "A"));
        for (int i = 0; i < 4; i++) {
            ph("s" + i, "w", 6.1 + 0.1 * i, "meter-1to5", Source.METER);
        }
        events.add(new JudgedField.Event("e", READ.plusDays(99), "lime", "Lime", null, null));
        IndicatorSeries series = judged(READ.plusYears(1)).series().get(0);
        Told told = series.change(null, null);
        assertThat(told.later() - told.earlier()).isCloseTo(told.mean(), within(1e-9));
        IndicatorSeries.Did did = series.did().get(0);
        assertThat(did.with() - did.without()).isCloseTo(did.mean(), within(1e-9));
        assertThat(series.designs()).hasSize(6);
    }

    private static JudgedField.Reading rate(String stop, String visit, double mmH, String... noted) {
        return new JudgedField.Reading(
                stop + visit,
                "infiltration",
                "top-0-100",
                "ring-infiltration",
                null,
                false,
                Source.METER,
                stop,
                visit,
                0.5,
                mmH,
                null,
                null,
                "mm/h",
                null,
                Set.of(noted));
    }

    private IndicatorSeries.LevelFigure rates(String... noted) {
        readings.clear();
        for (String stop : List.of("s0", "s1", "s2")) {
            readings.add(rate(stop, "v", 60, noted));
        }
        return judged(READ).series().get(0).field();
    }

    @Test
    void aReadingThatSomethingWasNotedOnCountsAsFarAsItIsWorth() {
        for (String stop : List.of("s0", "s1", "s2")) {
            stop(stop, StopRole.ROUTINE);
        }
        IndicatorSeries.LevelFigure sound = rates();
        IndicatorSeries.LevelFigure dry = rates("DRY_FIRST_RUN");
        assertThat(rates("SOMETHING_ELSE")).isEqualTo(sound);
        // the first water in a dry soil goes in too fast, by how much is uncertain
        assertThat(dry.value()).isLessThan(0.85 * sound.value());
        assertThat(dry.high() / dry.low()).isGreaterThan(sound.high() / sound.low());
        // beside sound ones of the same day it moves the field less
        readings.clear();
        readings.add(rate("s0", "v", 60));
        readings.add(rate("s1", "v", 60));
        readings.add(rate("s2", "v", 300));
        double asSound = judged(READ).series().get(0).field().value();
        readings.set(2, rate("s2", "v", 300, "DRY_FIRST_RUN"));
        assertThat(judged(READ).series().get(0).field().value()).isLessThan(0.9 * asSound);
    }

    /** Each note that a table names is one that some test can make, and widens or shifts. */
    @Test
    void whatIsNotedIsANoteOfATest() {
        List<String> notes = Stream.of("infiltration", "drainage", "compaction", "earthworms")
                .flatMap(each -> CoreData.BENCHMARKS.table("model-noted." + each).rows().keySet().stream())
                .toList();
        assertThat(notes).hasSizeGreaterThanOrEqualTo(7);
        for (String note : notes) {
            assertThat(CoreData.MESSAGES.optional(note(note))).as(note).isNotNull();
        }
    }

    private static String note(String code) {
        return List.of("ring-infiltration", "hole-drainage", "penetration", "earthworms").stream()
                .map(method -> method + ".note." + code)
                .filter(key -> CoreData.MESSAGES.optional(key) != null)
                .findFirst()
                .orElse("none");
    }

    /** Whoever takes one shown figure off the other gets the difference that stands beside them. */
    @Test
    void aSentencesFiguresAddUp() {
        Random random = new Random(8);
        Pattern figures = Pattern.compile("from ([\\d.]+) to ([\\d.]+).*?, by ([\\d.]+)");
        int looked = 0;
        for (int i = 0; i < 200; i++) {
            stops.clear();
            readings.clear();
            visits.clear();
            visits.add(new JudgedField.Visit("v", READ, "A"));
            visits.add(new JudgedField.Visit("w", READ.plusYears(2), "A"));
            events.clear();
            events.add(new JudgedField.Event("e", READ.plusMonths(3), "lime", "lime", null, null));
            double before = 4.6 + 0.6 * random.nextDouble();
            double after = 6.2 + 0.8 * random.nextDouble();
            for (String stop : List.of("s0", "s1", "s2", "s3")) {
                stop(stop, StopRole.ROUTINE);
                readings.add(reading("ph", "meter-1to5", false, stop, "v", 0.5, before, Source.METER));
                readings.add(reading("ph", "meter-1to5", false, stop, "w", 0.5, after, Source.METER));
            }
            IndicatorSeries series = judged(READ.plusYears(3)).series().get(0);
            String said = new ChangeWords(CoreData.MESSAGES).changed(series, series.change(null, null));
            Matcher found = figures.matcher(said);
            if (found.find()) {
                looked++;
                assertThat(Math.abs(Double.parseDouble(found.group(2)) - Double.parseDouble(found.group(1))))
                        .as(said)
                        .isEqualTo(Double.parseDouble(found.group(3)), within(1e-9));
            }
        }
        assertThat(looked).isGreaterThan(20);
    }
}
