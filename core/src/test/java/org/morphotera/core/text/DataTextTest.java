package org.morphotera.core.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DataTextTest {

    @Test
    void sectionsHoldTheirEntriesInOrderWithoutComments() {
        List<DataText.Section> sections =
                DataText.parse("f", "# first\n[one two]\nb = 2\na = 1 # not a comment\n\n[three]\r\nc = x = y\r\n");
        assertThat(sections).extracting(DataText.Section::head).containsExactly("one two", "three");
        assertThat(sections.get(0).entries()).containsExactly(Map.entry("b", "2"), Map.entry("a", "1 # not a comment"));
        assertThat(sections.get(1).require("c")).isEqualTo("x = y");
        assertThat(sections.get(1).line()).isEqualTo(6);
    }

    @Test
    void aLineThatBeginsWithASpaceGoesOn() {
        assertThat(DataText.parse("f", "[s]\nlong = a sentence\n  that goes on\n")
                        .get(0)
                        .require("long"))
                .isEqualTo("a sentence that goes on");
    }

    @ParameterizedTest
    @CsvSource({"'a = 1', 1", "'[s]\nno equals', 2", "'[s]\n= 1', 2", "'[s]\na = 1\na = 2', 3"})
    void whatDoesNotFitIsNamedWithItsLine(String text, int line) {
        assertThatThrownBy(() -> DataText.parse("texts.txt", text))
                .isInstanceOf(DataTextException.class)
                .hasMessageContaining("texts.txt")
                .hasMessageContaining(String.valueOf(line));
    }

    @Test
    void aMissingEntryIsNamed() {
        DataText.Section section = DataText.parse("f", "[s]\na = 1\n").get(0);
        assertThatThrownBy(() -> section.require("b"))
                .isInstanceOf(DataTextException.class)
                .hasMessageContaining("b");
    }

    @Test
    void messagesAreFilledWithFiguresWordsAndLists() {
        Messages messages = Messages.parse(Map.of(
                "f",
                "[word]\nrough = quite rough\n[m]\none = {n} of {kind}, {list}; {absent}\nstep.1 = a\nstep.2 = b\n"));
        assertThat(messages.text(
                        List.of("m.none", "m.one"), Map.of("n", 1234.567, "kind", "rough", "list", List.of("a-b", 2))))
                .isEqualTo("1235 of quite rough, a b, 2; –");
        assertThat(messages.text(List.of("m.none"), Map.of())).isEqualTo("m.none");
        assertThat(messages.numbered("m.step")).containsExactly("a", "b");
        assertThat(messages.numbered("m.other")).isEmpty();
        assertThat(messages.under("m.step.")).containsOnlyKeys("1", "2");
        assertThat(messages.optional("m.other")).isNull();
        assertThat(messages.word("long-slope")).isEqualTo("long slope");
    }

    @Test
    void aTextThatIsGivenTwiceStopsTheStart() {
        assertThatThrownBy(() -> Messages.parse(Map.of("f", "[m]\na = 1\n[m]\na = 2\n")))
                .isInstanceOf(DataTextException.class)
                .hasMessageContaining("m.a");
    }
}
