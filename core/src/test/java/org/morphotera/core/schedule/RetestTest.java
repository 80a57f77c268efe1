package org.morphotera.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.result.Level;

class RetestTest {

    private static final LocalDate DAY = LocalDate.of(2030, 4, 30);

    @Test
    void saltAndWhatHoldsAFieldBackComeBackAfterAYearAllElseAfterThree() {
        assertThat(Retest.dueOn(DAY, "salinity", Level.SERVICEABLE)).isEqualTo(DAY.plusYears(1));
        assertThat(Retest.dueOn(DAY, "ph", Level.FAILING)).isEqualTo(DAY.plusYears(1));
        assertThat(Retest.dueOn(DAY, "ph", Level.STRAINED)).isEqualTo(DAY.plusYears(1));
        assertThat(Retest.dueOn(DAY, "ph", Level.SERVICEABLE)).isEqualTo(DAY.plusYears(3));
        assertThat(Retest.dueOn(DAY, null, null)).isEqualTo(DAY.plusYears(3));
        assertThat(Retest.dueOn(null, "salinity", Level.FAILING)).isNull();
    }

    @Test
    void theEarlierOfTwoDaysCounts() {
        assertThat(Retest.earlier(DAY, DAY.plusDays(1))).isEqualTo(DAY);
        assertThat(Retest.earlier(null, DAY)).isEqualTo(DAY);
        assertThat(Retest.earlier(DAY, null)).isEqualTo(DAY);
        assertThat(Retest.earlier(null, null)).isNull();
    }

    @Test
    void eachActionHasItsTimeUntilItIsTested() {
        assertThat(ActionKind.LIME.retestOn(DAY)).isEqualTo(LocalDate.of(2031, 4, 30));
        assertThat(ActionKind.COMPOST.retestOn(DAY)).isEqualTo(LocalDate.of(2032, 4, 30));
        assertThat(ActionKind.NITROGEN_OR_PATIENCE.retestOn(DAY)).isEqualTo(LocalDate.of(2030, 5, 30));
        assertThat(ActionKind.TOLERANT_CROPS.retestOn(DAY)).isNull();
    }
}
