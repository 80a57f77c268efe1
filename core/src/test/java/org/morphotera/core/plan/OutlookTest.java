package org.morphotera.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;

class OutlookTest {

    private static final LocalDate MARCH = LocalDate.of(2027, 3, 1);

    @Test
    void limeRaisesPhEvenlyOverTwoYearsAndThenHolds() {
        Outlook lime = Outlook.ofLime(MARCH, 5.6, 6.4, 0.2);
        assertThat(lime.points()).hasSize(13);
        assertThat(lime.points().get(0).value()).isEqualTo(5.6);
        assertThat(lime.points().get(0).low()).isCloseTo(5.3, within(1e-9));
        Outlook.Point aYear = lime.points().get(2);
        assertThat(aYear.on()).isEqualTo(LocalDate.of(2028, 3, 1));
        assertThat(aYear.value()).isCloseTo(6.0, within(1e-9));
        assertThat(aYear.high() - aYear.value()).isCloseTo(0.3 + 0.35 * 0.5 * 0.8, within(1e-9));
        assertThat(lime.points().subList(4, 13))
                .allSatisfy(point -> assertThat(point.value()).isCloseTo(6.4, within(1e-9)));
        assertThat(lime.target()).isEqualTo(6.4);
        assertThat(lime.basis(CoreData.MESSAGES)).startsWith("From pH 5.6 evenly to the target within two years");
    }

    @Test
    void aTargetBelowTheReadingFallsInTheSameBand() {
        Outlook sour = Outlook.ofLime(MARCH, 7, 6.5, 0.1);
        assertThat(sour.points().get(4).value()).isEqualTo(6.5);
        assertThat(sour.points()).allSatisfy(point -> {
            assertThat(point.low()).isLessThan(point.value());
            assertThat(point.high()).isGreaterThan(point.value());
        });
    }

    @Test
    void rainWashesSaltOutYearByYearNeverBelowNone() {
        Outlook rain = Outlook.ofRain(MARCH, 6, null, CoreData.BENCHMARKS);
        double aYear = CoreData.BENCHMARKS.table("plan.leaching").at("rain-ds-per-m-a-year", "value");
        assertThat(rain.points()).hasSize(7);
        assertThat(rain.points().get(1).value()).isCloseTo(6 - aYear, within(1e-9));
        assertThat(rain.target()).isEqualTo(Outlook.SALTY_OVER);
        assertThat(rain.points()).allSatisfy(point -> {
            assertThat(point.low()).isBetween(0.0, point.value());
            assertThat(point.high()).isGreaterThanOrEqualTo(point.value());
        });
        assertThat(Outlook.ofRain(MARCH, 0.2, null, CoreData.BENCHMARKS)
                        .points()
                        .get(6)
                        .value())
                .isZero();
        assertThat(rain.basis(CoreData.MESSAGES)).contains("about " + aYear + " dS/m a year");
    }

    @Test
    void aKnownCropSaysWhatSaltItBears() {
        String crop = CoreData.BENCHMARKS
                .table("salinity.crops")
                .rows()
                .keySet()
                .iterator()
                .next();
        assertThat(Outlook.ofRain(MARCH, 6, crop, CoreData.BENCHMARKS).target())
                .isEqualTo(CoreData.BENCHMARKS.table("salinity.crops").at(crop, "threshold"));
    }
}
