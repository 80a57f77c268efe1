package org.morphotera.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.training.trial.TestSets;

class WalkSetTest {

    @ParameterizedTest
    @EnumSource(WalkSet.class)
    void holdsMethodsThatThereAreUnderAName(WalkSet set) {
        assertThat(set.methods())
                .isNotEmpty()
                .doesNotHaveDuplicates()
                .allMatch(id -> Methods.all().has(id));
        assertThat(CoreData.MESSAGES.text("walk.set." + set.code())).isNotBlank();
    }

    @ParameterizedTest
    @EnumSource(value = WalkSet.class, names = "TEN_TESTS")
    void theTenTestsAreThoseThatTheEvidenceIsTriedOn(WalkSet set) {
        assertThat(set.methods()).containsExactlyElementsOf(TestSets.TEN);
    }
}
