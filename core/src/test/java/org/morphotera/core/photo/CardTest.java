package org.morphotera.core.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.PhotoKinds;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.DrawnCard;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.result.Evaluation;

/** The card found on pictures by a pinhole camera, whose truth comes of rays and not of the mapping that finds it. */
class CardTest {

    private static final double[] SOIL = {0.13, 0.08, 0.045};

    private static DrawnCard drawn(Random random, double tilt, Taken how) {
        DrawnCard.View view = new DrawnCard.View(
                tilt * (2 * random.nextDouble() - 1),
                tilt * (2 * random.nextDouble() - 1),
                16 * (random.nextDouble() - 0.5),
                240 + 120 * random.nextDouble());
        return DrawnCard.of(view, SOIL, how, random::nextDouble);
    }

    @Test
    void itsPlacesAreFoundWhateverTheTilt() {
        for (double tilt : new double[] {0, 15, 30}) {
            for (Taken how : List.of(Taken.WELL, new Taken(5, 0.15, 0, 0, 1, 0.1), new Taken(8, 0.4, 0, 0, 1.5, 0.2))) {
                List<Double> offs = new ArrayList<>();
                int missed = 0;
                for (int i = 0; i < 2; i++) {
                    DrawnCard drawn = drawn(new Random(2 * i), tilt, how);
                    Card card = Card.find(drawn.picture());
                    if (card == null) {
                        missed++;
                        continue;
                    }
                    for (double[] place : new double[][] {{0, 0}, {150, 220}, {75, 72}, {75, 152}, {121, 190}}) {
                        double[] seen = drawn.view().seen(place[0], place[1], drawn.width(), drawn.height());
                        offs.add(
                                Math.hypot(card.x(place[0], place[1]) - seen[0], card.y(place[0], place[1]) - seen[1]));
                    }
                }
                double worst = offs.stream().mapToDouble(each -> each).max().orElse(99);
                System.out.println(String.format(
                        Locale.ROOT,
                        "card tilt %.0f noise %.0f: worst %.2f points, missed %d",
                        tilt,
                        how.noise(),
                        worst,
                        missed));
                assertThat(missed).as("tilt " + tilt + " noise " + how.noise()).isZero();
                assertThat(worst).as("tilt " + tilt + " noise " + how.noise()).isLessThan(1.6);
            }
        }
    }

    @Test
    void aStraightenedPictureShowsTheCardFromStraightAbove() {
        DrawnCard drawn = drawn(new Random(3), 25, Taken.WELL);
        Card askew = Card.find(drawn.picture());
        assertThat(askew.skewPct()).isGreaterThan(8);
        Picture straight = askew.straight();
        Card again = Card.find(straight);
        assertThat(again.skewPct()).isLessThan(1);
        for (double[] place : new double[][] {{0, 0}, {150, 0}, {75, 72}, {29, 152}}) {
            assertThat(again.x(place[0], place[1])).isCloseTo(askew.straightX(place[0]), within(1.2));
            assertThat(again.y(place[0], place[1])).isCloseTo(askew.straightY(place[1]), within(1.2));
        }
        // a millimetre is as long across as down
        assertThat((again.x(150, 0) - again.x(0, 0)) / 150).isCloseTo(again.scale(), within(0.02));
        assertThat((again.y(0, 220) - again.y(0, 0)) / 220).isCloseTo(again.scale(), within(0.02));
    }

    @Test
    void theGreyAndTheSoilAreReadWhereTheCardSaysTheyLie() {
        DrawnCard drawn = drawn(new Random(5), 20, new Taken(4, 0, 0, 0, 0.8, 0.2));
        Card card = Card.find(drawn.picture());
        Map<String, Object> inputs = Map.of(
                "grey", spot(card, Card.PATCHES.get(1).xMm(), Card.PATCH_Y_MM),
                "soil", spot(card, Card.SOIL_X_MM, Card.SOIL_Y_MM));
        PhotoReading.Answer answer = PhotoKinds.all().propose("colour", inputs, List.of(drawn.picture()));
        Evaluation seen = ((PhotoReading.Answer.Proposed) answer).evaluation();
        double luminance = 100 * Lab.luminance(SOIL[0], SOIL[1], SOIL[2]);
        double value = seen.values().get("value").value();
        double polynomial =
                value * (1.1914 + value * (-0.22533 + value * (0.23352 + value * (-0.020484 + value * 0.00081939))));
        assertThat(polynomial).isCloseTo(luminance, within(0.7));
    }

    private static Map<String, Object> spot(Card card, double xMm, double yMm) {
        return Map.of("x", card.x(xMm, yMm) / 720, "y", card.y(xMm, yMm) / 960);
    }

    @Test
    void itIsNotSeenWhereThereIsNone() {
        Random random = new Random(1);
        assertThat(Card.find(Drawn.cover(0.2, 0.1, 0.3, Taken.USUALLY, random::nextDouble)
                        .picture()))
                .isNull();
        assertThat(Card.find(Drawn.jar(30, 45, 60, 160, Taken.USUALLY, random::nextDouble)
                        .picture()))
                .isNull();
        assertThat(Card.find(Drawn.colour(4, 3, 76, Taken.USUALLY, random::nextDouble)
                        .picture()))
                .isNull();
        assertThat(Card.find(Drawn.crumbs(new double[] {1, 1.2, 2}, 0.1, Taken.USUALLY, random::nextDouble)
                        .get(1)
                        .picture()))
                .isNull();
        // lying on its side it would be read the wrong way round
        DrawnCard.View turned = new DrawnCard.View(0, 0, 90, 420);
        assertThat(Card.find(DrawnCard.of(turned, SOIL, Taken.WELL, random::nextDouble)
                        .picture()))
                .isNull();
    }

    @Test
    void aMappingPutsCornersOntoCorners() {
        double[] x = {10, 90, 80, 5};
        double[] y = {5, 20, 95, 70};
        Perspective mapping = Perspective.ofSquareTo(x, y);
        double[][] unit = {{0, 0}, {1, 0}, {1, 1}, {0, 1}};
        for (int i = 0; i < 4; i++) {
            assertThat(mapping.x(unit[i][0], unit[i][1])).isCloseTo(x[i], within(1e-9));
            assertThat(mapping.y(unit[i][0], unit[i][1])).isCloseTo(y[i], within(1e-9));
        }
        assertThatThrownBy(() -> Perspective.ofSquareTo(new double[] {0, 1, 0.2, 0}, new double[] {0, 0, 0.2, 1}))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
