package org.morphotera.core.context;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.CoreData;

class AdditionsTest {

    private static final LocalDate APRIL = LocalDate.of(2030, 4, 10);
    private final Additions additions = new Additions(CoreData.BENCHMARKS);

    @ParameterizedTest(name = "{0} on {1}, south {2}: {3}")
    @CsvSource({
        "straw, 2029-10-05, false, true",
        "Green manure dug in, 2029-09-20, false, true",
        "Compost, 2029-11-30, false, true",
        "compost, 2028-11-30, false, false", // the autumn before
        "compost, 2030-03-05, false, false", // in spring
        "compost, 2030-03-05, true, true", // which is autumn there
        "lime, 2029-10-05, false, false",
        "straw, 2030-10-05, false, false" // not yet
    })
    void freshCarbonOfLastAutumnHoldsNitrogen(String event, LocalDate on, boolean south, boolean added) {
        assertThat(additions.carbonLastAutumn(event, on, APRIL, south)).isEqualTo(added);
    }

    @ParameterizedTest(name = "{0} on {1}: {2}")
    @CsvSource({"biochar, 2029-11-01, true", "biochar, 2029-10-01, false", "compost, 2030-03-01, false"})
    void biocharMattersForHalfAYear(String event, LocalDate on, boolean late) {
        assertThat(additions.biocharOfLate(event, on, APRIL)).isEqualTo(late);
    }
}
