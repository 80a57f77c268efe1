package org.morphotera.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.function.Supplier;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
@Tag("no-database")
class VersionedTest {

    private record Row(String text, int version) {}

    @Mock
    private Runnable insert;

    @Mock
    private Supplier<Integer> update;

    private Row write(Row sent, Row stored) {
        return Versioned.write(sent, stored, Row::version, insert, update, "row");
    }

    @Test
    void aNewRowIsInserted() {
        Row sent = new Row("a", 1);
        assertThat(write(sent, null)).isSameAs(sent);
        verify(insert).run();
        verify(update, never()).get();
    }

    @Test
    void aChangeOfNothingIsNotFound() {
        assertThatThrownBy(() -> write(new Row("a", 3), null)).isInstanceOf(NotFoundException.class);
        verify(insert, never()).run();
    }

    @Test
    void theSameAgainChangesNothing() {
        Row stored = new Row("a", 2);
        assertThat(write(new Row("a", 2), stored)).isSameAs(stored);
        verify(update, never()).get();
    }

    @Test
    void theNextVersionIsWritten() {
        when(update.get()).thenReturn(1);
        Row sent = new Row("b", 3);
        assertThat(write(sent, new Row("a", 2))).isSameAs(sent);
    }

    @Test
    void anOlderVersionIsRefusedWithBoth() {
        Row sent = new Row("mine", 2);
        Row stored = new Row("theirs", 2);
        assertThatThrownBy(() -> write(sent, stored)).isInstanceOfSatisfying(StaleException.class, stale -> {
            assertThat(stale.yours()).isSameAs(sent);
            assertThat(stale.current()).isSameAs(stored);
        });
        verify(update, never()).get();
    }

    @Test
    void aRowThatChangedBetweenReadingAndWritingIsRefused() {
        when(update.get()).thenReturn(0);
        assertThatThrownBy(() -> write(new Row("b", 3), new Row("a", 2))).isInstanceOf(StaleException.class);
    }

    @Test
    void aVersionAheadOfTheStoredOneIsRefused() {
        assertThatThrownBy(() -> write(new Row("b", 9), new Row("a", 2))).isInstanceOf(StaleException.class);
    }
}
