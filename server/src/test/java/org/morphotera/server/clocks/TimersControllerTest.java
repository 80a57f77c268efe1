package org.morphotera.server.clocks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.AccessScope;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.StaleException;

/** The edges of clocks that a running server reaches only by chance: what came before, what came twice. */
@Tag("no-database")
class TimersControllerTest {

    private static final Instant NOW = Instant.parse("2026-05-04T09:00:00Z");
    private static final UUID PRACTICE = UUID.randomUUID();
    private static final UUID ID = UUID.randomUUID();
    private static final UUID STEP = UUID.randomUUID();
    private static final UUID VISIT = UUID.randomUUID();
    private static final UUID STOP = UUID.randomUUID();
    private static final UUID MEASUREMENT = UUID.randomUUID();

    private final TimerMapper rows = mock(TimerMapper.class);
    private final Places places = mock(Places.class);
    private final Advisor who = mock(Advisor.class);
    private final TimersController controller = new TimersController(
            rows,
            places,
            Methods.all(),
            CoreData.MESSAGES,
            Clock.fixed(NOW, ZoneOffset.UTC),
            mock(Audit.class),
            mock(AccessScope.class));

    @BeforeEach
    void signedIn() {
        when(who.practiceId()).thenReturn(PRACTICE);
    }

    private static Timer.Write body() {
        return new Timer.Write(
                VISIT,
                STOP,
                MEASUREMENT,
                "crumb-stability",
                NOW,
                List.of(new Timer.StepWrite(STEP, "cloud-10", NOW.plusSeconds(600), 60)));
    }

    private static TimerMapper.TimerRow running() {
        return new TimerMapper.TimerRow(
                ID, VISIT, STOP, "Stop 1", UUID.randomUUID(), "Test polder", MEASUREMENT, "crumb-stability", NOW, null);
    }

    @Test
    void aClockAtAPlaceThatIsNotThePracticesIsNotWritten() {
        Timer.Write body = body();
        doThrow(new NotFoundException("stop")).when(places).require(who, body.visitId(), body.stopId());
        assertThatThrownBy(() -> controller.put(who, ID, body)).isInstanceOf(NotFoundException.class);
        verify(rows, never()).insert(any(), any(), any());
        verify(rows, never()).insertStep(any(), any(), any());
    }

    @Test
    void aRepeatedSendWritesNeitherTheClockNorItsStepAgain() {
        when(rows.timer(PRACTICE, ID)).thenReturn(running());
        when(rows.step(PRACTICE, STEP))
                .thenReturn(new TimerMapper.StepRow(STEP, ID, "cloud-10", NOW.plusSeconds(600), 60, null));
        controller.put(who, ID, body());
        verify(rows, never()).insert(any(), any(), any());
        verify(rows, never()).insertStep(any(), any(), any());
    }

    @Test
    void aSecondClockUnderTheSameIdIsRefusedWithTheFirst() {
        when(rows.timer(PRACTICE, ID)).thenReturn(running());
        Timer.Write sent = body();
        Timer.Write later = new Timer.Write(VISIT, STOP, MEASUREMENT, sent.method(), NOW.plusSeconds(60), sent.steps());
        assertThatThrownBy(() -> controller.put(who, ID, later)).isInstanceOf(StaleException.class);
        when(rows.step(PRACTICE, STEP))
                .thenReturn(new TimerMapper.StepRow(STEP, ID, "cloud-10", NOW.plusSeconds(60), 60, null));
        assertThatThrownBy(() -> controller.put(who, ID, sent)).isInstanceOf(StaleException.class);
        verify(rows, never()).insertStep(any(), any(), any());
    }

    @Test
    void aClockOfAnotherPracticesTestIsNotFound() {
        when(rows.takenElsewhere(PRACTICE, MEASUREMENT)).thenReturn(1);
        assertThatThrownBy(() -> controller.put(who, ID, body())).isInstanceOf(NotFoundException.class);
        verify(rows, never()).insert(any(), any(), any());
    }

    @Test
    void aNewStepOfARunningClockIsAdded() {
        when(rows.timer(PRACTICE, ID)).thenReturn(running());
        Timer.Write body = body();
        controller.put(who, ID, body);
        verify(rows, never()).insert(any(), any(), any());
        verify(rows).insertStep(PRACTICE, ID, body.steps().get(0));
    }

    @Test
    void aStepThatIsUnknownOrOfAnotherClockIsNotMarked() {
        Timer.StepDone done = new Timer.StepDone(NOW);
        assertThatThrownBy(() -> controller.done(who, ID, STEP, done)).isInstanceOf(NotFoundException.class);
        when(rows.step(PRACTICE, STEP))
                .thenReturn(new TimerMapper.StepRow(STEP, UUID.randomUUID(), "cloud-10", NOW, 60, null));
        assertThatThrownBy(() -> controller.done(who, ID, STEP, done)).isInstanceOf(NotFoundException.class);
        verify(rows, never()).markDone(any(), any(), any());
    }

    @Test
    void stoppingAnUnknownClockWritesNothing() {
        assertThatThrownBy(() -> controller.stop(who, ID, new Timer.Stopped(NOW)))
                .isInstanceOf(NotFoundException.class);
        verify(rows, never()).stop(any(), eq(ID), any());
    }

    @Test
    void stepsHaveTheWordsOfTheirMethodAndTheListTheServersTime() {
        when(rows.running(PRACTICE)).thenReturn(List.of(running()));
        when(rows.stepsOfRunning(PRACTICE))
                .thenReturn(List.of(new TimerMapper.StepRow(STEP, ID, "cloud-10", NOW, 60, null)));
        Timer.Running list = controller.running(who);
        assertThat(list.serverNow()).isEqualTo(NOW);
        assertThat(list.timers().get(0).steps().get(0).label()).isEqualTo("Read the clouds");
    }
}
