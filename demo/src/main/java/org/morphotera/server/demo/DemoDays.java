package org.morphotera.server.demo;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.UUID;
import org.morphotera.core.schedule.WalkSet;
import org.morphotera.server.days.DayMapper;
import org.morphotera.server.days.PlannedDay;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Two days of work that are planned: one that is about to begin, and a round in three days. */
@Component
@Profile("demo")
class DemoDays {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");
    private static final LocalTime LATEST = LocalTime.of(21, 0);
    private static final double WALK = 60;
    private static final double DRIVE_MIN = 25.0;
    private static final int ROUND_IN_DAYS = 3;

    private final DayMapper rows;
    private final FieldReader fields;
    private final JsonMapper json;
    private final Clock clock;

    DemoDays(DayMapper rows, FieldReader fields, JsonMapper json, Clock clock) {
        this.rows = rows;
        this.fields = fields;
        this.json = json;
        this.clock = clock;
    }

    void plan(UUID practice) {
        LocalDate today = LocalDate.now(clock);
        LocalTime now = LocalTime.now(clock);
        LocalTime next = now.isAfter(LATEST)
                ? LATEST
                : now.withMinute(0).withSecond(0).plusMinutes((now.getMinute() / 30 + 1) * 30L);
        add(practice, "about to begin", today, TIME.format(next), List.of(work(practice, "Gull Polder", null)));
        add(
                practice,
                "round",
                today.plusDays(ROUND_IN_DAYS),
                "08:30",
                List.of(work(practice, "Long Dyke", null), work(practice, "Beet Reach", DRIVE_MIN)));
    }

    private void add(UUID practice, String name, LocalDate on, String startsAt, List<PlannedDay.FieldWork> work) {
        UUID id = id(practice + name);
        PlannedDay day = new PlannedDay(id, on, startsAt, WALK, List.of("Isla Fenn", "Nils Amery"), work, 1);
        rows.insertDay(practice, new DayMapper.Row(id, on, json.writeValueAsString(day), 1));
    }

    private PlannedDay.FieldWork work(UUID practice, String name, Double driveMin) {
        Field field = fields.fields(practice).stream()
                .filter(each -> each.name().equals(name))
                .findFirst()
                .orElseThrow();
        List<UUID> stops =
                fields.stops(practice, field.id()).stream().map(Stop::id).toList();
        return new PlannedDay.FieldWork(
                field.id(), id(field.id() + "planned visit"), driveMin, stops, WalkSet.TEN_TESTS.methods());
    }

    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }
}
