package org.morphotera.server.plans;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.lenient;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.LaboratoryWord;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.server.fields.Field;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.web.RefusedException;

/** What speaks against an action, each fault at its entry. */
class ActionChecksTest {

    private static final UUID PRACTICE = UUID.randomUUID();
    private static final UUID FIELD = UUID.randomUUID();
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 4);
    private static final Map<String, Object> LIME =
            Map.of("school", "texture-factor", "phWater", 5.4, "targetPh", 6.4, "textureGroup", "medium");

    private final FieldLimits limits = mock(FieldLimits.class);
    private final PlanFacts facts = mock(PlanFacts.class);
    private final Clock clock = Clock.fixed(Instant.parse("2026-05-04T09:00:00Z"), ZoneOffset.UTC);
    private final ActionChecks checks = new ActionChecks(limits, facts, CoreData.BENCHMARKS, CoreData.MESSAGES, clock);
    private final Field field = new Field(
            FIELD, UUID.randomUUID(), "Test polder", "arable", null, 8.0, null, "field", null, null, null, null, 1);

    @BeforeEach
    void aDryField() {
        lenient().when(limits.beliefs(any())).thenReturn(List.of());
        lenient().when(facts.of(any(), any(), any())).thenReturn(knownOf(false));
    }

    private static FieldFacts knownOf(boolean wet) {
        return new FieldFacts(
                LandUse.ARABLE,
                TextureGroup.MEDIUM,
                null,
                8,
                new FieldFacts.Treated(8.0, false),
                new FieldFacts.Ph(5.4, 0.2, Source.METER),
                null,
                null,
                null,
                null,
                null,
                false,
                FieldFacts.Permeability.UNKNOWN,
                null,
                false,
                wet);
    }

    private static Action.Write write(String kind, String state, Map<String, Object> inputs) {
        return write(kind, state, inputs, null, null, null, null, null);
    }

    private static Action.Write write(
            String kind,
            String state,
            Map<String, Object> inputs,
            String reason,
            String confirmedBy,
            LocalDate doneOn,
            LocalDate dueFrom,
            LocalDate dueTo) {
        String constraint = kind.equals("lime") ? "acidity" : null;
        return new Action.Write(
                FIELD,
                kind,
                constraint,
                inputs,
                null,
                null,
                null,
                dueFrom,
                dueTo,
                state,
                reason,
                confirmedBy,
                doneOn,
                null,
                null,
                null,
                0);
    }

    private List<String> faults(Action.Write body) {
        RefusedException refused =
                catchThrowableOfType(RefusedException.class, () -> checks.check(PRACTICE, field, body, List.of()));
        return refused == null
                ? List.of()
                : refused.faults().stream()
                        .map(each -> each.field() + " " + each.code())
                        .toList();
    }

    @Test
    void anAgreedActionWithSoundInputsPasses() {
        assertThat(faults(write("lime", "agreed", LIME))).isEmpty();
    }

    @Test
    void brokenInputsAreNamedAtTheirEntries() {
        Map<String, Object> broken = Map.of("school", "texture-factor", "phWater", 15, "targetPh", 6.4);
        assertThat(faults(write("lime", "agreed", broken))).anyMatch(each -> each.startsWith("inputs.phWater "));
    }

    @Test
    void whatIsDroppedSaysWhy() {
        assertThat(faults(write("lime", "dropped", LIME))).contains("reason MISSING");
        assertThat(faults(write("lime", "dropped", LIME, "  ", null, null, null, null)))
                .contains("reason MISSING");
        assertThat(faults(write("lime", "dropped", LIME, "no money", null, null, null, null)))
                .isEmpty();
    }

    @Test
    void whatIsDoneSaysWhenAndNotInTheFuture() {
        assertThat(faults(write("lime", "done", LIME, null, "buffer pH", null, null, null)))
                .contains("doneOn MISSING");
        assertThat(faults(write("lime", "done", LIME, null, "buffer pH", TODAY.plusDays(2), null, null)))
                .contains("doneOn FUTURE");
        // a day ahead may be today elsewhere
        assertThat(faults(write("lime", "done", LIME, null, "buffer pH", TODAY.plusDays(1), null, null)))
                .isEmpty();
    }

    @Test
    void aWindowEndsAfterItBegins() {
        assertThat(faults(write("lime", "agreed", LIME, null, null, null, TODAY, TODAY.minusDays(1))))
                .containsExactly("dueTo UPSIDE_DOWN");
    }

    @Test
    void moneyIsSpentOnceSomethingConfirmedIt() {
        Action.Write unconfirmed = write("lime", "done", LIME, null, null, TODAY, null, null);
        assertThat(faults(unconfirmed)).isNotEmpty();
        when(facts.laboratory(PRACTICE, field, "acidity")).thenReturn(new LaboratoryWord(TODAY.minusDays(30), false));
        assertThat(faults(unconfirmed)).isNotEmpty();
        when(facts.laboratory(PRACTICE, field, "acidity")).thenReturn(new LaboratoryWord(TODAY.minusDays(30), true));
        assertThat(faults(unconfirmed)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void aWetSoilIsNotLoosened(boolean wet) {
        Map<String, Object> deep =
                Map.of("layerFound", true, "layerTopMm", 250, "layerBottomMm", 330, "rolledWormCrumbles", !wet);
        List<String> found = faults(write("loosen", "agreed", deep));
        assertThat(found.isEmpty()).isEqualTo(!wet);
    }

    @Test
    void removingWhatNothingWaitsForIsAllowed() {
        Action lime = new Action(
                UUID.randomUUID(),
                FIELD,
                "lime",
                "acidity",
                LIME,
                null,
                null,
                null,
                null,
                null,
                "agreed",
                null,
                null,
                null,
                null,
                null,
                null,
                1);
        assertThatCode(() -> checks.checkRemoval(PRACTICE, field, lime, List.of()))
                .doesNotThrowAnyException();
    }
}
