package org.morphotera.core.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.soil.DepthLayer;

class FaceLayoutTest {

    private static final FaceLayout.Sizes SIZES = new FaceLayout.Sizes(40, 20, 6, 30);

    private static FaceLayout.Row row(double top, double bottom, double standing) {
        return new FaceLayout.Row(new DepthLayer(top, bottom), null, standing, standing < 0.5);
    }

    private static FaceLayout.Row above(double standing) {
        return new FaceLayout.Row(null, null, standing, standing < 0.5);
    }

    private static FaceLayout of(FaceLayout.Row... rows) {
        return FaceLayout.of(List.of(rows), GroundPicture.BARE);
    }

    private static FaceLayout.FaceBand band(FaceLayout face, DepthBand band) {
        return face.bands().get(band.ordinal());
    }

    @Test
    void theLowestOfABandComesFirstThenWhatStandsLowAndTheRestIsFolded() {
        FaceLayout face = of(row(0, 100, 0.9), row(0, 100, 0.3), row(0, 80, 0.1), row(20, 90, 0.6));
        FaceLayout.FaceBand top = band(face, DepthBand.TOP_0_100);
        assertThat(top.shown()).containsExactly(2, 1);
        assertThat(top.folded()).containsExactly(3, 0);
    }

    @Test
    void aBandInWhichAllIsWellTellsOneOfIt() {
        FaceLayout.FaceBand sky = band(of(above(0.9), above(0.8)), DepthBand.ABOVE_GROUND);
        assertThat(sky.shown()).containsExactly(1);
        assertThat(sky.folded()).containsExactly(0);
    }

    @Test
    void noBandTellsMoreThanFiveHoweverMuchStandsLow() {
        FaceLayout.Row[] many =
                IntStream.range(0, 12).mapToObj(i -> row(0, 100, 0.01 * i)).toArray(FaceLayout.Row[]::new);
        FaceLayout.FaceBand top = band(of(many), DepthBand.TOP_0_100);
        assertThat(top.shown()).containsExactly(0, 1, 2, 3, 4);
        assertThat(top.folded()).hasSize(7);
    }

    @Test
    void whatSpansBandsIsListedWhereItBites() {
        @Nullable Double at = 245.0;
        FaceLayout face = of(new FaceLayout.Row(new DepthLayer(0, 200), at, 0.2, true));
        assertThat(band(face, DepthBand.LOW_200_300).shown()).containsExactly(0);
        assertThat(band(face, DepthBand.MID_100_200).holdsNothing()).isTrue();
    }

    @Test
    void goesAtLeastTo400MmAndALittleBelowWhatWasFound() {
        assertThat(of().deepestMm()).isEqualTo(400);
        assertThat(of(row(400, 500, 0.4), above(1)).deepestMm()).isEqualTo(600);
        GroundPicture rooted = GroundPicture.of(List.of(GroundMark.roots(900, "rooting")));
        assertThat(FaceLayout.of(List.of(), rooted).deepestMm()).isEqualTo(1100);
    }

    @Test
    void aBandIsAsTallAsWhatWasFoundInItAndTheDepthsStayTrue() {
        FaceLayout face = of(row(0, 100, 0.1), row(0, 100, 0.2), row(0, 100, 0.8), row(100, 200, 0.9));
        FaceLayout.Drawn drawn = face.drawn(SIZES);
        double first = drawn.y(100) - drawn.y(0);
        assertThat(first).isCloseTo(40 + 2 * 20 + 2 * 6, within(1e-9));
        assertThat(drawn.y(200) - drawn.y(100)).isCloseTo(40 + 2 * 6, within(1e-9));
        assertThat(drawn.y(300) - drawn.y(200)).isCloseTo(30, within(1e-9));
        assertThat(drawn.y(50)).isCloseTo(drawn.surface() + first / 2, within(1e-9));
        assertThat(drawn.y(400)).isEqualTo(drawn.height());
        assertThat(drawn.y(4000)).isEqualTo(drawn.height());
    }

    @Test
    void placesEveryFindingOnceAndLetsDepthsRunDownwardHoweverMuchWasFound() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            List<FaceLayout.Row> rows = new ArrayList<>();
            for (int i = 3 + random.nextInt(38); i > 0; i--) {
                double top = 50 * random.nextInt(20);
                double standing = random.nextDouble();
                rows.add(
                        random.nextInt(6) == 0
                                ? above(standing)
                                : row(top, top + 50 * (1 + random.nextInt(8)), standing));
            }
            FaceLayout face = FaceLayout.of(rows, GroundPicture.BARE);
            List<Integer> placed = face.bands().stream()
                    .flatMap(band -> Stream.concat(band.shown().stream(), band.folded().stream()))
                    .sorted()
                    .toList();
            assertThat(placed)
                    .containsExactlyElementsOf(
                            IntStream.range(0, rows.size()).boxed().toList());
            for (FaceLayout.FaceBand band : face.bands()) {
                double lowest = Stream.concat(band.shown().stream(), band.folded().stream())
                        .mapToDouble(i -> rows.get(i).order())
                        .min()
                        .orElse(0);
                assertThat(band.holdsNothing() || rows.get(band.shown().get(0)).order() == lowest)
                        .isTrue();
                assertThat(band.bottomMm()).isGreaterThanOrEqualTo(band.topMm());
            }
            FaceLayout.Drawn drawn = face.drawn(SIZES);
            for (double mm = 5; mm <= face.deepestMm(); mm += 5) {
                assertThat(drawn.y(mm)).isGreaterThan(drawn.y(mm - 5));
            }
        }
    }
}
