package org.morphotera.server.devices;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Coded;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.accounts.session.PresentPeople;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.training.simulate.Instrument;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.dao.DataAccessException;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Streams what an instrument shows, four times a second, until it is put away. */
@RestController
@RequiresRole(Role.ADVISOR)
class DevicesController implements DisposableBean {

    private static final long EVERY_MS = 250;
    /** Nobody holds a probe for longer; a forgotten page must not read for ever. */
    private static final long LONGEST_MS = 180_000;

    private static final int MOST_AT_ONCE = 100;
    private static final int MOST_OF_A_PRACTICE = 12;
    private static final double DEEPEST_MM = 5000;
    /** Whoever was removed meanwhile, or signed out everywhere, reads no more after so many values. */
    private static final int LOOKED_AT_EVERY = 8;

    /** An instrument that can be read. */
    record Device(String id, String unit) {}

    /**
     * One value of the stream.
     *
     * @param stable the last values stand still
     * @param simulated nothing real was read
     */
    record Shown(double value, String unit, boolean stable, boolean simulated) {}

    private final Instruments instruments;
    private final Places places;
    private final PresentPeople people;
    private final Map<UUID, Integer> open = new ConcurrentHashMap<>();
    private final ScheduledExecutorService ticks = Executors.newScheduledThreadPool(1, task -> {
        Thread thread = new Thread(task, "instruments");
        thread.setDaemon(true);
        return thread;
    });

    DevicesController(Instruments instruments, Places places, PresentPeople people) {
        this.people = people;
        this.instruments = instruments;
        this.places = places;
    }

    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping("/api/devices")
    List<Device> devices() {
        return Arrays.stream(Instrument.Kind.values())
                .map(kind -> new Device(kind.code(), kind.unit().symbol()))
                .toList();
    }

    /** Server-sent events, each a value as JSON. */
    @RequiresRole(value = Role.ADVISOR, also = Role.HELPER)
    @GetMapping(value = "/api/devices/{id}/readings", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter readings(
            @AuthenticationPrincipal Advisor who,
            @PathVariable String id,
            @RequestParam UUID stop,
            @RequestParam(required = false) @Nullable Double depthMm) {
        Instrument.Kind kind = NotFoundException.require(Coded.find(Instrument.Kind.values(), id), "instrument");
        double depth = depthMm == null ? 0 : depthMm;
        if (!(depth >= 0 && depth <= DEEPEST_MM)) {
            throw RefusedException.of("depthMm", "RANGE", "Give a depth between 0 and 5,000 mm.");
        }
        Instruments.Connected connected =
                instruments.connect(kind, who.practiceId(), places.requireStop(who, stop), depth);
        take(who.practiceId());
        SseEmitter stream = new SseEmitter(LONGEST_MS);
        long start = System.nanoTime();
        AtomicInteger values = new AtomicInteger();
        ScheduledFuture<?> tick = ticks.scheduleAtFixedRate(
                () -> {
                    if (values.incrementAndGet() % LOOKED_AT_EVERY == 0 && !goesOn(who)) {
                        stream.complete();
                    } else {
                        send(stream, connected, (System.nanoTime() - start) / 1e9);
                    }
                },
                0,
                EVERY_MS,
                TimeUnit.MILLISECONDS);
        stream.onTimeout(stream::complete);
        stream.onError(error -> tick.cancel(false));
        stream.onCompletion(() -> {
            tick.cancel(false);
            open.computeIfPresent(who.practiceId(), (practice, count) -> count <= 1 ? null : count - 1);
        });
        return stream;
    }

    private void take(UUID practice) {
        int all = open.values().stream().mapToInt(Integer::intValue).sum();
        int own = open.merge(practice, 1, Integer::sum);
        if (own > MOST_OF_A_PRACTICE || all >= MOST_AT_ONCE) {
            open.computeIfPresent(practice, (each, count) -> count <= 1 ? null : count - 1);
            throw RefusedException.of("", "BUSY", "Too many instruments are read at once. Put one away first.");
        }
    }

    /** A database that can't be asked at this moment ends nothing. */
    private boolean goesOn(Advisor who) {
        try {
            return people.goesOn(who);
        } catch (DataAccessException e) {
            return true;
        }
    }

    private static void send(SseEmitter stream, Instruments.Connected connected, double seconds) {
        Instrument instrument = connected.instrument();
        Instrument.Shown shown = instrument.at(seconds);
        try {
            stream.send(
                    new Shown(shown.value(), instrument.kind().unit().symbol(), shown.stable(), connected.simulated()),
                    MediaType.APPLICATION_JSON);
        } catch (IOException | IllegalStateException e) {
            // whoever listened has put it away
            stream.complete();
        }
    }

    @Override
    public void destroy() {
        ticks.shutdownNow();
    }
}
