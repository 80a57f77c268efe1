package org.morphotera.core.plan.outlook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.plan.outlook.Outlook.Observed;

class OutlookTest {

    private static final LocalDate MARCH = LocalDate.of(2027, 3, 1);

    private static Observed read(int yearsLater, double value, double half) {
        return new Observed(MARCH.plusYears(yearsLater), value, half);
    }

    private static Outlook rain(List<Observed> observed, String crop) {
        return Outlook.ofRain(MARCH, MARCH.plusYears(4), observed, crop, CoreData.BENCHMARKS);
    }

    @Test
    void limeRaisesPhEvenlyOverTwoYearsAndThenHolds() {
        Outlook lime = Outlook.ofLime(MARCH, 5.6, 6.4, 0.2, List.of());
        assertThat(lime.points()).hasSize(13);
        assertThat(lime.points().get(0).value()).isCloseTo(5.6, within(1e-9));
        Outlook.Point aYear = lime.points().get(2);
        assertThat(aYear.on()).isEqualTo(LocalDate.of(2028, 3, 1));
        assertThat(aYear.value()).isCloseTo(6.0, within(1e-9));
        // start, half of the step and the reading itself, each as a variance
        double reading = 0.2 / 1.96 * 0.2 / 1.96 + 0.01;
        double half = 1.645 * Math.sqrt(2 * reading + Math.pow(0.5 * 0.2 * 0.8, 2));
        assertThat(aYear.high() - aYear.value()).isCloseTo(half, within(1e-9));
        assertThat(aYear.value() - aYear.low()).isCloseTo(half, within(1e-9));
        assertThat(lime.points().subList(4, 13))
                .allSatisfy(point -> assertThat(point.value()).isCloseTo(6.4, within(1e-9)));
        assertThat(lime.target()).isEqualTo(6.4);
        assertThat(lime.basis(CoreData.MESSAGES)).startsWith("From pH 5.6 evenly to the target within two years");
    }

    @Test
    void aReadingBeforeTheLimeMovesNothingAndOneAfterDoes() {
        Outlook before = Outlook.ofLime(MARCH, 5.6, 6.4, 0.2, List.of(read(-1, 7.4, 0.2)));
        assertThat(before).isEqualTo(Outlook.ofLime(MARCH, 5.6, 6.4, 0.2, List.of()));
        Outlook after = Outlook.ofLime(MARCH, 5.6, 6.4, 0.2, List.of(read(2, 6.0, 0.2), read(3, 6.0, 0.2)));
        double level = after.points().get(12).value();
        assertThat(level).isBetween(6.0, 6.4);
        assertThat(after.basis(CoreData.MESSAGES)).contains("read here since (2)");
    }

    @Test
    void aTargetBelowTheReadingFallsInTheSameBand() {
        Outlook sour = Outlook.ofLime(MARCH, 7, 6.5, 0.1, List.of());
        assertThat(sour.points().get(4).value()).isCloseTo(6.5, within(1e-9));
        assertThat(sour.points()).allSatisfy(point -> {
            assertThat(point.low()).isLessThan(point.value());
            assertThat(point.high()).isGreaterThan(point.value());
        });
    }

    @Test
    void rainWashesSaltOutYearByYearNeverBelowNone() {
        Outlook rain = rain(List.of(read(-1, 6, 1.5)), null);
        assertThat(rain.points()).hasSize(7);
        assertThat(rain.points().get(0).on()).isEqualTo(MARCH.plusYears(4));
        assertThat(rain.points().get(1).value()).isCloseTo(6 - 0.2, within(1e-9));
        assertThat(rain.target()).isEqualTo(Outlook.SALTY_OVER);
        assertThat(rain.points()).allSatisfy(point -> {
            assertThat(point.low()).isBetween(0.0, point.value());
            assertThat(point.high()).isGreaterThanOrEqualTo(point.value());
        });
        assertThat(rain(List.of(read(-1, 0.2, 0.05)), null).points().get(6).value())
                .isZero();
        assertThat(rain.basis(CoreData.MESSAGES)).contains("about 0.2 dS/m a year");
    }

    @Test
    void afterOneVisitThePublishedRateHoldsAndAfterManyTheFieldsOwn() {
        List<Observed> slow = List.of(read(0, 8, 0.6), read(4, 7.3, 0.6));
        assertThat(own(rain(slow, null))).isBetween(0.17, 0.21);
        List<Observed> fast = new ArrayList<>();
        for (int year = 0; year <= 6; year++) {
            fast.add(read(year, 12 - 0.9 * year, 0.6));
        }
        assertThat(own(rain(fast, null))).isBetween(0.75, 0.9);
        assertThat(own(rain(fast, null))).isGreaterThan(own(rain(fast.subList(0, 2), null)));
    }

    private static double own(Outlook outlook) {
        return ((Number) outlook.args().get("own")).doubleValue();
    }

    @Test
    void theBandHoldsNineOfTheReadingsToCome() {
        Random random = new Random(11);
        int inside = 0;
        int fields = 2000;
        for (int field = 0; field < fields; field++) {
            double start = 5 + 7 * random.nextDouble();
            double aYear = 0.2 + 0.07 * random.nextGaussian();
            List<Observed> observed = new ArrayList<>();
            for (int year = 0; year <= 5; year++) {
                double truth = start - aYear * year;
                double half = 0.1 * truth;
                observed.add(read(year, truth + Math.hypot(half / 1.96, 0.06 * truth) * random.nextGaussian(), half));
            }
            Observed next = observed.remove(5);
            Outlook outlook = Outlook.ofRain(MARCH, MARCH.plusYears(5), observed, null, CoreData.BENCHMARKS);
            Outlook.Point there = outlook.points().stream()
                    .filter(point -> point.on().equals(next.on()))
                    .findFirst()
                    .orElseThrow();
            inside += next.value() >= there.low() && next.value() <= there.high() ? 1 : 0;
        }
        assertThat((double) inside / fields).isBetween(0.87, 0.95);
    }

    @Test
    void aKnownCropSaysWhatSaltItBears() {
        String crop = CoreData.BENCHMARKS
                .table("salinity.crops")
                .rows()
                .keySet()
                .iterator()
                .next();
        assertThat(rain(List.of(read(0, 6, 1)), crop).target())
                .isEqualTo(CoreData.BENCHMARKS.table("salinity.crops").at(crop, "threshold"));
    }
}
