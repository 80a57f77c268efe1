package org.morphotera.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.RandomFields;
import org.morphotera.core.result.Envelope;
import org.morphotera.placement.AllCalculators;

/**
 * Every sentence that the core says of readings and inputs, one for each code and level, with figures: in
 * docs/sentences.md, to be read through by a person. The test fails when the page is not current; {@code
 * -Dsentences.write=true} writes it.
 */
class SentencesTest {

    private static final Path PAGE = Path.of("../docs/sentences.md");
    private static final int DRAWS = 1500;
    private static final int PLAN_DRAWS = 300;

    /** Contexts in which words change: what grows, how wet it is. */
    private static final List<Map<String, Object>> CONTEXTS = List.of(
            Map.of(),
            Map.of("landUse", "arable", "crop", "barley", "textureClass", "clay-loam", "soilMoisture", "moist"),
            Map.of("landUse", "pasture", "crop", "pasture", "textureClass", "sandy-loam", "soilMoisture", "dry"),
            Map.of("landUse", "vegetable", "crop", "vegetable", "textureClass", "loam", "season", "summer"),
            Map.of("landUse", "turf", "textureClass", "sand", "soilMoisture", "wet", "purpose", "rain-garden"),
            Map.of("landUse", "orchard", "crop", "apple", "textureClass", "silt-loam", "purpose", "planting-bed"));

    private final Map<String, String> said = new TreeMap<>();

    @Test
    void thePageHoldsEverySentence() throws IOException {
        StringBuilder page = new StringBuilder("""
                # Sentences

                Every sentence that the core says of readings and inputs, one for each code and level, with the figures
                of a worked case or of made-up readings. Generated; to be read through whenever it changes.
                """);
        for (FieldMethod<?> method : Methods.all().all()) {
            said.clear();
            String id = method.card().id();
            WorkedCase.of(id).stream()
                    .filter(each -> each.expectErrors() == null)
                    .forEach(each -> listen(Methods.all().evaluate(id, each.body(), CoreData.BENCHMARKS)));
            Random random = new Random(id.hashCode());
            for (int i = 0; i < DRAWS; i++) {
                Map<String, Object> readings = RandomFields.sound(method, random);
                Map<String, Object> context = CONTEXTS.get(i % CONTEXTS.size());
                listen(Methods.all()
                        .evaluate(id, Map.of("readings", readings, "context", context), CoreData.BENCHMARKS));
            }
            write(CoreData.MESSAGES.text(id + ".title"), page);
        }
        CalculatorRegistry calculators = AllCalculators.of(Methods.all());
        for (Calculator<?> calculator : calculators.all()) {
            said.clear();
            String id = calculator.id();
            WorkedCase.plans().stream()
                    .filter(each -> each.method().equals(id) && each.expectErrors() == null)
                    .forEach(each -> listen(calculators.evaluate(id, each.body(), CoreData.BENCHMARKS)));
            Random random = new Random(id.hashCode());
            for (int i = 0; i < PLAN_DRAWS; i++) {
                Map<String, Object> inputs = RandomFields.tree(calculator::read, random);
                calculator.makeSound(inputs, random);
                listen(calculators.evaluate(id, Map.of("inputs", inputs), CoreData.BENCHMARKS));
            }
            write(CoreData.MESSAGES.text(id + ".title"), page);
        }
        said.clear();
        for (Constraint constraint : Constraint.values()) {
            Stream.of("", "sentence.", "confirm.")
                    .map(part -> "constraint." + part + constraint.code())
                    .filter(CoreData.MESSAGES::has)
                    .forEach(code -> said.put(code, CoreData.MESSAGES.text(code)));
        }
        write("What limits", page);
        if (Boolean.getBoolean("sentences.write")) {
            Files.writeString(PAGE, page);
        }
        assertThat(PAGE).content().isEqualTo(page.toString());
    }

    private void listen(Outcome outcome) {
        if (outcome instanceof Outcome.Evaluated done) {
            Envelope envelope = Envelope.of(done.evaluation(), CoreData.MESSAGES);
            for (Envelope.RatingText rating : envelope.ratings()) {
                String code = String.join(
                        " ",
                        rating.indicator(),
                        rating.school(),
                        rating.reason(),
                        rating.level() == null ? "" : rating.level());
                said.putIfAbsent(code.strip(), rating.why());
            }
            envelope.notes().forEach(note -> said.putIfAbsent("note " + note.code(), note.text()));
        }
    }

    private void write(String title, StringBuilder page) {
        page.append("\n## ").append(title).append("\n\n");
        Map<String, String> lines = new LinkedHashMap<>(said);
        lines.forEach((code, sentence) ->
                page.append("- `").append(code).append("` ").append(sentence).append('\n'));
        assertThat(said.values()).as(title).noneMatch(sentence -> sentence.contains("{") || sentence.isBlank());
    }
}
