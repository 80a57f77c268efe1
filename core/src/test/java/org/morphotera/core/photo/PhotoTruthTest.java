package org.morphotera.core.photo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.PhotoKinds;
import org.morphotera.core.photo.PhotoReading.Answer;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.result.Evaluation;

/**
 * What is proposed beside what was drawn. Prints how far off it is, median and worst, by how the pictures were taken;
 * {@code -Dphoto.pictures=200} draws so many of each kind.
 */
class PhotoTruthTest {

    private static final int EACH = Integer.getInteger("photo.pictures", 8);
    private static final PhotoReadings KINDS = PhotoKinds.all();

    private static final Map<String, Taken> WAYS = new LinkedHashMap<>();

    static {
        WAYS.put("well", Taken.WELL);
        WAYS.put("usually", Taken.USUALLY);
        WAYS.put("badly", Taken.BADLY);
        WAYS.put("noise 15", new Taken(15, 0, 0, 0, 0.6, 0));
        WAYS.put("shade 0.5", new Taken(2, 0.5, 0, 0, 0.6, 0));
        WAYS.put("glare 0.8", new Taken(2, 0, 0.8, 0, 0.6, 0));
        WAYS.put("tilt 6", new Taken(2, 0, 0, 6, 0.6, 0));
        WAYS.put("blur 3", new Taken(2, 0, 0, 0, 3, 0));
    }

    /** One picture, and how far off the figures are; a figure that was not given has none. */
    private interface Trial {
        Map<String, Double> off(Taken how, Random random);
    }

    private static Evaluation evaluation(String kind, Map<String, Object> inputs, Picture... pictures) {
        return proposed(kind, inputs, pictures).evaluation();
    }

    private static Answer.Proposed proposed(String kind, Map<String, Object> inputs, Picture... pictures) {
        Answer answer = KINDS.propose(kind, inputs, List.of(pictures));
        assertThat(answer).as(String.valueOf(answer)).isInstanceOf(Answer.Proposed.class);
        return (Answer.Proposed) answer;
    }

    /** Runs trials and prints them; the medians by way and figure. */
    private static Map<String, Map<String, Double>> run(String kind, Trial trial) {
        Map<String, Map<String, Double>> medians = new LinkedHashMap<>();
        WAYS.forEach((way, how) -> {
            Map<String, List<Double>> all = new LinkedHashMap<>();
            // the ways share the pictures; one is drawn for each in turn
            for (int i = 0; i < Math.max(3, EACH / WAYS.size()); i++) {
                trial.off(how, new Random(1000 + i))
                        .forEach((name, off) -> all.computeIfAbsent(name, key -> new ArrayList<>())
                                .add(Math.abs(off)));
            }
            Map<String, Double> of = new LinkedHashMap<>();
            StringBuilder line = new StringBuilder(String.format(Locale.ROOT, "%-8s %-10s", kind, way));
            all.forEach((name, offs) -> {
                Collections.sort(offs);
                of.put(name, offs.get(offs.size() / 2));
                line.append(String.format(
                        Locale.ROOT, "  %s %.2f (%.2f)", name, offs.get(offs.size() / 2), offs.get(offs.size() - 1)));
            });
            System.out.println(line);
            medians.put(way, of);
        });
        return medians;
    }

    @Test
    void coverIsWhatWasDrawn() {
        Map<String, Map<String, Double>> off = run("cover", (how, random) -> {
            Drawn drawn = Drawn.cover(
                    0.1 + 0.3 * random.nextDouble(),
                    0.15 * random.nextDouble(),
                    0.4 * random.nextDouble(),
                    how,
                    random::nextDouble);
            Evaluation seen = evaluation("cover", drawn.inputs(), drawn.picture());
            List<?> truth = (List<?>) drawn.truth().get("points");
            List<Map<String, Object>> points = seen.series().get("points");
            int wrong = 0;
            for (int i = 0; i < truth.size(); i++) {
                wrong += truth.get(i).equals(points.get(i).get("class")) ? 0 : 1;
            }
            Map<String, Double> offs = new LinkedHashMap<>();
            offs.put("points wrong", (double) wrong);
            for (String kind : List.of("living", "litter", "stone", "bare")) {
                offs.put(kind, seen.values().get(kind + "Pct").value() - Collections.frequency(truth, kind));
            }
            return offs;
        });
        assertThat(off.get("well").get("points wrong")).isLessThan(5);
        assertThat(off.get("usually").get("points wrong")).isLessThan(9);
        assertThat(off.get("well").get("living")).isLessThan(3);
    }

    @Test
    void theLinesOfAJarAreWhereTheyWereDrawn() {
        Map<String, Map<String, Double>> off = run("jar", (how, random) -> {
            double sand = 15 + 40 * random.nextDouble();
            double silt = sand + 8 + 25 * random.nextDouble();
            double clay = silt + 5 + 20 * random.nextDouble();
            Drawn drawn = Drawn.jar(sand, silt, clay, 160, how, random::nextDouble);
            Evaluation seen = evaluation("jar", drawn.inputs(), drawn.picture());
            Map<String, Double> offs = new LinkedHashMap<>();
            offs.put("sandMm", seen.values().get("sandMm").value() - sand);
            offs.put("siltMm", seen.values().get("siltMm").value() - silt);
            offs.put("clayMm", seen.values().get("clayMm").value() - clay);
            return offs;
        });
        assertThat(off.get("well").values()).allMatch(each -> each < 1);
        assertThat(off.get("usually").values()).allMatch(each -> each < 1.5);
    }

    @Test
    void aColourIsWhatWasDrawn() {
        Map<String, Map<String, Double>> off = run("colour", (how, random) -> {
            double value = 2.2 + 4.5 * random.nextDouble();
            double chroma = 1 + 5 * random.nextDouble();
            double hue = 58 + 28 * random.nextDouble();
            Drawn drawn = Drawn.colour(value, chroma, hue, how, random::nextDouble);
            Evaluation seen = evaluation("colour", drawn.inputs(), drawn.picture());
            Map<String, Double> offs = new LinkedHashMap<>();
            offs.put("value", seen.values().get("value").value() - value);
            offs.put("chroma", seen.values().get("chroma").value() - chroma);
            offs.put("hue", seen.values().get("hueAngle").value() - hue);
            return offs;
        });
        assertThat(off.get("well").get("value")).isLessThan(0.2);
        assertThat(off.get("well").get("chroma")).isLessThan(0.4);
        assertThat(off.get("well").get("hue")).isLessThan(3);
    }

    @Test
    void crumbsHaveSpreadAsFarAsTheyWereDrawn() {
        Map<String, Map<String, Double>> off = run("crumbs", (how, random) -> {
            double[] ratios = random.doubles(5, 1, 2.4).toArray();
            double cloud = random.nextBoolean() ? 0 : 0.35 * random.nextDouble();
            List<Drawn> both = Drawn.crumbs(ratios, cloud, how, random::nextDouble);
            Evaluation seen = evaluation(
                    "crumbs",
                    both.get(0).inputs(),
                    both.get(0).picture(),
                    both.get(1).picture());
            double mean = 0;
            for (double ratio : ratios) {
                mean += ratio / ratios.length;
            }
            Map<String, Double> offs = new LinkedHashMap<>();
            offs.put(
                    "crumbs missed",
                    (double) ratios.length - seen.series().get("crumbs").size());
            offs.put("slakingIndex", seen.values().get("slakingIndex").value() - (mean - 1));
            return offs;
        });
        assertThat(off.get("well").get("crumbs missed")).isZero();
        assertThat(off.get("well").get("slakingIndex")).isLessThan(0.05);
        assertThat(off.get("usually").get("slakingIndex")).isLessThan(0.1);
    }
}
