package org.morphotera.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MessagesTest {

    private static final Messages MESSAGES = Messages.parse(Map.of("texts", """
            [word]
            clay-loam = clay loam

            [worms]
            few = Only {figure} {figure?worm|worms} in {soil}.
            few.none = Not one worm in {soil}.
            pushes = {n} {n?push|pushes}, {n?it says|they say} nothing
            """));

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "0, Not one worm in clay loam.",
        "1, Only 1 worm in clay loam.",
        "1.5, Only 1.5 worms in clay loam.",
        "2, Only 2 worms in clay loam."
    })
    void aCountTakesItsWordAndNoneAnotherSentence(double worms, String sentence) {
        Map<String, Object> args = Map.of("figure", worms, "soil", "clay-loam");
        assertThat(MESSAGES.text(List.of("worms.missing", "worms.few"), args)).isEqualTo(sentence);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"1, '1 push, it says nothing'", "3, '3 pushes, they say nothing'"})
    void severalWordsGoByOneCount(int n, String sentence) {
        assertThat(MESSAGES.text(List.of("worms.pushes"), Map.of("n", n))).isEqualTo(sentence);
    }

    @ParameterizedTest
    @CsvSource("worms.missing")
    void aKeyWithoutATextIsSaidItself(String key) {
        assertThat(MESSAGES.text(List.of(key), Map.of())).isEqualTo(key);
    }
}
