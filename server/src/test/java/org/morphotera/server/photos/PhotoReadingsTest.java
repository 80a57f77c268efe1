package org.morphotera.server.photos;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.morphotera.server.SomePicture;

/** Pictures in, readings out that their method takes; what is no use is refused by name. */
@ExtendWith(RunningApp.class)
@Tag("no-database")
class PhotoReadingsTest {

    private final ApiClient advisor;
    private final Random random = new Random(3);

    PhotoReadingsTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private static String base64(BufferedImage image, String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return Base64.getEncoder().encodeToString(out.toByteArray());
    }

    private static BufferedImage image(Drawn drawn) {
        BufferedImage image = new BufferedImage(drawn.width(), drawn.height(), BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, drawn.width(), drawn.height(), drawn.rgb(), 0, drawn.width());
        return image;
    }

    private Answer propose(String kind, Object body) {
        return advisor.post("/api/photo-readings/" + kind, body);
    }

    private void takenBy(String method, Answer answer, Map<String, Object> more) {
        Map<String, Object> readings = new HashMap<>(Land.part(answer.json(), "proposal"));
        readings.putAll(more);
        Answer evaluated = advisor.post("/api/methods/" + method + "/evaluate", Map.of("readings", readings));
        assertThat(evaluated.status()).as("%s", evaluated).isEqualTo(200);
    }

    private static double value(Answer answer, String name) {
        return ((Number) Land.part(Land.part(answer.json(), "values"), name).get("value")).doubleValue();
    }

    @Test
    void coverIsProposedPointByPoint() throws IOException {
        Drawn drawn = Drawn.cover(0.3, 0.05, 0.25, Taken.WELL, random::nextDouble);
        Answer answer = propose("cover", Map.of("image", base64(image(drawn), "png"), "inputs", drawn.inputs()));
        assertThat(answer.status()).as("%s", answer).isEqualTo(200);
        List<?> truth = (List<?>) drawn.truth().get("points");
        assertThat(value(answer, "livingPct")).isCloseTo(Collections.frequency(truth, "living"), within(4.0));
        assertThat(value(answer, "litterPct")).isCloseTo(Collections.frequency(truth, "litter"), within(8.0));
        assertThat(Land.rows(Land.part(answer.json(), "series"), "points")).hasSize(100);
        takenBy("ground-cover", answer, Map.of());
        Answer coarse = propose("cover", Map.of("image", base64(image(drawn), "jpg"), "inputs", Map.of("grid", 6)));
        assertThat((List<?>) Land.part(coarse.json(), "proposal").get("points")).hasSize(36);
        assertThat(coarse.text()).contains("ONLY_LIVING_OR_NOT");
    }

    @Test
    void aJarAColourAndCrumbsAreProposed() throws IOException {
        Drawn jar = Drawn.jar(40, 62, 75, 160, Taken.WELL, random::nextDouble);
        Answer lines = propose("jar", Map.of("image", base64(image(jar), "png"), "inputs", jar.inputs()));
        assertThat(value(lines, "siltMm")).isCloseTo(62, within(1.0));
        takenBy("texture-jar", lines, Map.of());
        Drawn soil = Drawn.colour(4, 3, 76, Taken.WELL, random::nextDouble);
        Answer colour = propose("colour", Map.of("image", base64(image(soil), "png"), "inputs", soil.inputs()));
        assertThat(Land.part(Land.part(colour.json(), "proposal"), "sample"))
                .isEqualTo(Map.of("hue", "10YR", "value", 4.0, "chroma", 3.0));
        takenBy("colour", colour, Map.of());
        List<Drawn> dish = Drawn.crumbs(new double[] {1, 1.5, 2.1}, 0.1, Taken.WELL, random::nextDouble);
        String before = base64(image(dish.get(0)), "png");
        String after = base64(image(dish.get(1)), "png");
        Map<String, Object> inputs = new LinkedHashMap<>(dish.get(0).inputs());
        Answer beside = propose("crumbs", Map.of("before", before, "after", after, "inputs", inputs));
        assertThat(value(beside, "slakingIndex")).isCloseTo(1.6 / 3, within(0.06));
        takenBy("crumb-stability", beside, Map.of());
        inputs.put("before", before);
        inputs.put("after", after);
        Answer among = propose("crumbs", Map.of("inputs", inputs));
        assertThat(among.text()).isEqualTo(beside.text());
    }

    private void refused(Answer answer, String field, String code) {
        assertThat(answer.status()).as("%s", answer).isEqualTo(422);
        assertThat(Land.rows(answer.json(), "errors"))
                .as("%s", answer)
                .anySatisfy(
                        each -> assertThat(each).containsEntry("field", field).containsEntry("code", code));
    }

    @Test
    void whatIsNoUseIsRefusedByName() throws IOException {
        Drawn soil = Drawn.colour(4, 3, 76, Taken.WELL, random::nextDouble);
        String good = base64(image(soil), "png");
        refused(propose("colour", Map.of("inputs", soil.inputs())), "image", "MISSING");
        refused(propose("colour", Map.of("image", "§", "inputs", soil.inputs())), "image", "PICTURE_READ");
        String words = Base64.getEncoder().encodeToString("no picture".getBytes());
        refused(propose("colour", Map.of("image", words, "inputs", soil.inputs())), "image", "PICTURE_READ");
        String half = good.substring(0, good.length() / 8 * 4);
        refused(propose("colour", Map.of("image", half, "inputs", soil.inputs())), "image", "PICTURE_READ");
        String black = base64(new BufferedImage(200, 200, BufferedImage.TYPE_INT_RGB), "png");
        refused(propose("colour", Map.of("image", black, "inputs", soil.inputs())), "image", "PICTURE_BLACK");
        String wide = base64(new BufferedImage(4100, 3000, BufferedImage.TYPE_BYTE_BINARY), "png");
        refused(propose("colour", Map.of("image", wide, "inputs", soil.inputs())), "image", "PICTURE_LARGE");
        String heavy = Base64.getEncoder().encodeToString(SomePicture.of("png", 700, 600));
        refused(propose("colour", Map.of("image", heavy, "inputs", soil.inputs())), "image", "PICTURE_LARGE");
        refused(propose("colour", Map.of("image", good)), "grey", "MISSING");
        Map<String, Object> aside = Map.of("grey", Map.of("x", 1.2, "y", 0.5), "soil", Map.of("x", 0.3, "y", 0.5));
        refused(propose("colour", Map.of("image", good, "inputs", aside)), "grey.x", "RANGE");
        refused(propose("colour", Map.of("image", good, "inputs", 7)), "inputs", "TYPE");
        refused(propose("colour", Map.of("image", good, "inputs", soil.inputs(), "more", 1)), "more", "UNKNOWN");
        Drawn jar = Drawn.jar(40, 62, 75, 160, Taken.WELL, random::nextDouble);
        Map<String, Object> near = new LinkedHashMap<>(jar.inputs());
        near.put("waterTop", Map.of("x", 0.5, "y", 0.9));
        refused(
                propose("jar", Map.of("image", base64(image(jar), "png"), "inputs", near)),
                "waterTop",
                "LINE_TOO_SHORT");
        assertThat(propose("smell", Map.of("image", good)).status()).isEqualTo(404);
    }
}
