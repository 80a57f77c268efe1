package org.morphotera.core.score;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.soil.DepthLayer;

class GroundPictureTest {

    private static final DepthLayer TOP = new DepthLayer(0, 200);
    private static final DepthLayer LOW = new DepthLayer(300, 500);

    private static GroundPicture of(GroundMark... marks) {
        return GroundPicture.of(List.of(marks));
    }

    private static long count(GroundPicture picture, GroundMark.Kind kind) {
        return picture.dots().stream()
                .filter(dot -> dot.kind().equals(kind.code()))
                .count();
    }

    @Test
    void whatNobodyLookedAtIsNotThere() {
        assertThat(of()).isEqualTo(GroundPicture.BARE);
    }

    @Test
    void rootsEndAboutWhereTheMiddleStopSaysAndBiteThere() {
        GroundPicture picture = of(
                GroundMark.roots(900, "rooting"), GroundMark.roots(240, "rooting"), GroundMark.roots(200, "rooting"));
        assertThat(picture.bites()).containsEntry("rooting", 240.0);
        assertThat(picture.roots()).hasSize(6).allSatisfy(root -> {
            assertThat(root.toMm()).isBetween(0.7 * 240, 1.1 * 240 + 1e-9);
            assertThat(root.x()).isBetween(0.0, 1.0);
            assertThat(root.bend()).isBetween(-1.0, 1.0);
        });
    }

    @Test
    void aPanIsALineAtTheMiddleOfTheStops() {
        GroundPicture picture = of(
                GroundMark.pan(230, "compaction"),
                GroundMark.pan(410, "compaction"),
                GroundMark.pan(250, "compaction"));
        assertThat(picture.panMm()).isEqualTo(250);
        assertThat(picture.bites()).containsEntry("compaction", 250.0);
    }

    @Test
    void moreSaltMottlesStonesAndWormsAreMoreOfThemAndInTheirLayer() {
        for (GroundMark.Kind kind :
                List.of(GroundMark.Kind.SALT, GroundMark.Kind.MOTTLES, GroundMark.Kind.STONES, GroundMark.Kind.WORMS)) {
            double some = kind == GroundMark.Kind.WORMS ? 3 : 0.1;
            GroundPicture few = of(GroundMark.of(kind, LOW, some));
            GroundPicture many = of(GroundMark.of(kind, LOW, 4 * some));
            assertThat(count(few, kind)).as(kind.code()).isPositive().isLessThan(count(many, kind));
            assertThat(many.dots()).allSatisfy(dot -> {
                assertThat(dot.mm()).isBetween(300.0, 500.0);
                assertThat(dot.x()).isBetween(0.0, 1.0);
                assertThat(dot.size()).isBetween(0.5, 1.0);
            });
            assertThat(of(GroundMark.of(kind, LOW, 0)).dots()).isEmpty();
        }
    }

    @Test
    void eachLayerHasTheMiddleOfItsRecordedColours() {
        GroundPicture picture = of(
                GroundMark.colour(TOP, "#302010"),
                GroundMark.colour(TOP, "#504030"),
                GroundMark.colour(TOP, "#403020"),
                GroundMark.colour(LOW, "#887766"));
        assertThat(picture.tints())
                .containsExactly(
                        new GroundPicture.Tint(0, 200, "#403020"), new GroundPicture.Tint(300, 500, "#887766"));
    }

    @Test
    void coverAndWaterAreTheMiddleOfTheStops() {
        GroundPicture picture =
                of(GroundMark.cover(0.2), GroundMark.cover(0.6), GroundMark.cover(0.9), GroundMark.water(700));
        assertThat(picture.coverShare()).isEqualTo(0.6);
        assertThat(picture.waterMm()).isEqualTo(700);
    }

    @Test
    void noDotLiesOnAnotherHoweverManyThereAre() {
        GroundPicture picture = of(Stream.of(GroundMark.Kind.SALT, GroundMark.Kind.MOTTLES)
                .map(kind -> GroundMark.of(kind, LOW, 1))
                .toArray(GroundMark[]::new));
        for (int i = 0; i < picture.dots().size(); i++) {
            for (int j = 0; j < i; j++) {
                GroundPicture.Dot one = picture.dots().get(i);
                GroundPicture.Dot other = picture.dots().get(j);
                assertThat(Math.hypot(one.x() - other.x(), (one.mm() - other.mm()) / 200))
                        .isGreaterThan(0.02);
            }
        }
    }
}
