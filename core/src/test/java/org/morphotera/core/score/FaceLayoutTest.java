package org.morphotera.core.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.soil.DepthLayer;

class FaceLayoutTest {

    private static final FaceLayout.Sizes SIZES = new FaceLayout.Sizes(28, 10, 52, 500);

    private static DepthLayer layer(double top, double bottom) {
        return new DepthLayer(top, bottom);
    }

    @Test
    void rowsKeepTheirOrderAndTheirDistance() {
        assertThat(FaceLayout.spread(new double[] {10, 12, 14, 200}, 46, 400, Double.NEGATIVE_INFINITY))
                .containsExactly(10, 56, 102, 200);
    }

    @Test
    void rowsMoveUpWhereThereIsNoRoomBelow() {
        assertThat(FaceLayout.spread(new double[] {380, 390, 400}, 46, 400, Double.NEGATIVE_INFINITY))
                .containsExactly(308, 354, 400);
    }

    @Test
    void bracketsStandBesideEachOtherWhereLayersOverlap() {
        assertThat(FaceLayout.lanes(List.of(layer(0, 100), layer(0, 300), layer(100, 200), layer(400, 500))))
                .containsExactly(0, 1, 0, 0);
    }

    @Test
    void goesAtLeastTo400MmAndALittleBelowWhatWasSampled() {
        assertThat(FaceLayout.deepest(List.of())).isEqualTo(400);
        assertThat(FaceLayout.deepest(Arrays.asList(layer(400, 500), null))).isEqualTo(600);
    }

    @Test
    void rowsOfOneLayerShareABracket() {
        FaceLayout face = FaceLayout.of(Arrays.asList(layer(0, 200), null, layer(0, 200), layer(300, 400)), SIZES);
        assertThat(face.groups().stream().map(FaceLayout.Group::rows))
                .containsExactly(List.of(1), List.of(0, 2), List.of(3));
        assertThat(face.groups().get(0).layer()).isNull();
        assertThat(face.rowY().get(1)).isLessThan(face.surface());
    }

    @Test
    void aShallowFaceHasOneScaleADeepOneIsSqueezedBelow() {
        FaceLayout shallow = FaceLayout.of(List.of(layer(0, 300)), SIZES);
        assertThat(shallow.scale()).hasSize(2);
        assertThat(shallow.y(200)).isCloseTo((shallow.surface() + shallow.bottom()) / 2, within(1e-9));
        FaceLayout deep = FaceLayout.of(List.of(layer(0, 1000)), SIZES);
        assertThat(deep.scale()).hasSize(3);
        assertThat(deep.y(400) - deep.y(0)).isCloseTo(0.72 * (deep.bottom() - deep.surface()), within(1e-9));
        assertThat(deep.y(deep.maxDepthMm())).isCloseTo(deep.bottom(), within(1e-9));
    }

    @Test
    void neverLiesOneOverAnotherHoweverMuchWasFound() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            List<DepthLayer> layers = new ArrayList<>();
            for (int i = random.nextInt(30); i >= 0; i--) {
                double top = 50 * random.nextInt(20);
                layers.add(random.nextInt(6) == 0 ? null : layer(top, top + 50 * (1 + random.nextInt(8))));
            }
            FaceLayout face = FaceLayout.of(layers, SIZES);
            List<Double> rows = face.rowY().stream().sorted().toList();
            for (int i = 1; i < rows.size(); i++) {
                assertThat(rows.get(i) - rows.get(i - 1)).isGreaterThanOrEqualTo(face.rowHeight() - 0.01);
            }
            assertThat(rows.get(rows.size() - 1)).isLessThan(face.height());
            for (int i = 0; i < layers.size(); i++) {
                assertThat(face.rowY().get(i) < face.surface()).isEqualTo(layers.get(i) == null);
            }
            assertThat(face.groups().stream()
                            .flatMap(group -> group.rows().stream())
                            .sorted())
                    .containsExactlyElementsOf(java.util.stream.IntStream.range(0, layers.size())
                            .boxed()
                            .toList());
            assertThat(face.y(0)).isEqualTo(face.surface());
        }
    }
}
