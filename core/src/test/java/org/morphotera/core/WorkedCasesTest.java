package org.morphotera.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class WorkedCasesTest {

    static List<WorkedCase> cases() {
        return WorkedCase.all();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void comesOutAsWorked(WorkedCase worked) {
        assertThat(worked.misses(JvmAnswers.to(worked.method(), worked.body()))).isEmpty();
    }
}
