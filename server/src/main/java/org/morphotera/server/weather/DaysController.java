package org.morphotera.server.weather;

import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.text.Messages;
import org.morphotera.core.weather.FieldDay;
import org.morphotera.core.weather.SampleGroup;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The coming days of one field, and of a round over several. */
@RestController
@RequiresRole(Role.ADVISOR)
class DaysController {

    /** A kind of test, what it is called, and the tests that are of it. */
    record GroupEntry(String code, String label, List<String> methods) {}

    /** Something that spoils a day, and in which share of the courses, 0..1. */
    record Spoiler(String code, String text, double share) {}

    /**
     * One day ahead: means over the courses, and for each kind of test the chance that the day is good for it.
     *
     * @param chance of all kinds that were asked for, 0..1
     */
    record DayAhead(
            LocalDate date,
            double rainMm,
            double rainChance,
            double tMinC,
            double tMaxC,
            double sharePct,
            double chance,
            Map<String, Double> groups,
            List<Spoiler> against) {}

    /** A field as the weather so far has left it; what a visit's form can start from. */
    record FieldNow(
            LocalDate date, String soilMoisture, @Nullable Integer daysSinceRain, double soilTempC, double sharePct) {}

    /**
     * @param source name of the weather service
     * @param placed whether the field has a position of its own
     * @param textureKnown whether its texture is known
     */
    record FieldDaysView(
            UUID fieldId,
            String field,
            String source,
            boolean placed,
            boolean textureKnown,
            String textureClass,
            double capacityMm,
            FieldNow now,
            List<GroupEntry> groups,
            List<DayAhead> days,
            List<RainReading> rain) {}

    /** A day of a round: the chance that it is good at every field, and what spoils it where. */
    record RoundDay(LocalDate date, double chance, Map<UUID, Double> fields, List<Spoiler> against) {}

    /** @param best the three days with the best chance, the best first */
    record RoundView(List<RoundDay> days, List<LocalDate> best) {}

    private static final int BEST = 3;
    private static final int MOST_FIELDS = 20;
    private static final int SPOILERS = 3;
    private static final List<SampleGroup> USUAL =
            List.of(SampleGroup.PROBE, SampleGroup.SPADE, SampleGroup.WORMS, SampleGroup.WATER_IN);

    private final FieldDays days;
    private final FieldReader fields;
    private final WeatherSource weather;
    private final Messages messages;
    private final List<GroupEntry> groups;

    DaysController(
            FieldDays days,
            FieldReader fields,
            WeatherSource weather,
            Messages messages,
            MethodRegistry methods,
            Benchmarks benchmarks) {
        this.days = days;
        this.fields = fields;
        this.weather = weather;
        this.messages = messages;
        this.groups = Arrays.stream(SampleGroup.values())
                .map(group -> new GroupEntry(
                        group.code(),
                        messages.text("sampling-windows.option.groups." + group.code()),
                        methods.all().stream()
                                .map(method -> method.card().id())
                                .filter(id -> SampleGroup.of(id, benchmarks) == group)
                                .toList()))
                .toList();
    }

    @GetMapping("/api/fields/{id}/days")
    FieldDaysView ofField(
            @AuthenticationPrincipal Advisor who,
            @PathVariable UUID id,
            @RequestParam(required = false) @Nullable List<String> groups) {
        Field field = NotFoundException.require(fields.field(who.practiceId(), id), "field");
        FieldDays.Ahead ahead = days.ahead(who.practiceId(), field);
        List<SampleGroup> asked = asked(groups);
        List<DayAhead> list = new ArrayList<>();
        for (int day = 0; day < FieldDays.DAYS_AHEAD; day++) {
            list.add(day(ahead, day, asked));
        }
        FieldDay now = ahead.today();
        return new FieldDaysView(
                id,
                field.name(),
                weather.name(),
                ahead.placed(),
                ahead.known(),
                ahead.texture().code(),
                ahead.capacityMm(),
                new FieldNow(
                        now.weather().date(),
                        now.moisture().code(),
                        now.daysSinceRain(),
                        tenths(now.soilTempC()),
                        tenths(now.share() * 100)),
                this.groups,
                list,
                ahead.own());
    }

    private List<SampleGroup> asked(@Nullable List<String> groups) {
        if (groups == null || groups.isEmpty()) {
            return USUAL;
        }
        List<SampleGroup> asked = new ArrayList<>();
        for (int i = 0; i < groups.size(); i++) {
            SampleGroup group = Coded.find(SampleGroup.values(), groups.get(i));
            if (group == null) {
                String known = this.groups.stream().map(GroupEntry::code).collect(Collectors.joining(" | "));
                throw RefusedException.of(
                        "groups[" + i + "]", "WORD", "There is no such kind of test. Use one of: " + known + ".");
            }
            asked.add(group);
        }
        return asked;
    }

    private static double tenths(double x) {
        return Math.rint(x * 10) / 10;
    }

    private DayAhead day(FieldDays.Ahead ahead, int day, List<SampleGroup> asked) {
        double rain = 0;
        double low = 0;
        double high = 0;
        double share = 0;
        double wet = 0;
        for (List<FieldDay> member : ahead.members()) {
            FieldDay at = member.get(day);
            rain += at.weather().rainMm();
            wet += at.weather().rainMm() >= 1 ? 1 : 0;
            low += at.weather().tMinC();
            high += at.weather().tMaxC();
            share += at.share() * 100;
        }
        int n = ahead.members().size();
        Map<String, Double> chances = new LinkedHashMap<>();
        for (SampleGroup group : SampleGroup.values()) {
            chances.put(group.code(), FieldDays.chance(List.of(ahead), day, List.of(group)));
        }
        return new DayAhead(
                ahead.members().get(0).get(day).weather().date(),
                tenths(rain / n),
                wet / n,
                tenths(low / n),
                tenths(high / n),
                tenths(share / n),
                FieldDays.chance(List.of(ahead), day, asked),
                chances,
                spoilers(FieldDays.against(ahead, day, asked)));
    }

    private List<Spoiler> spoilers(Map<String, Double> shares) {
        return shares.entrySet().stream()
                .limit(SPOILERS)
                .map(entry ->
                        new Spoiler(entry.getKey(), messages.text("day.against." + entry.getKey()), entry.getValue()))
                .toList();
    }

    @GetMapping("/api/good-days")
    RoundView round(
            @AuthenticationPrincipal Advisor who,
            @RequestParam @Size(min = 1, max = MOST_FIELDS) List<UUID> fields,
            @RequestParam(required = false) @Nullable List<String> groups) {
        List<FieldDays.Ahead> ahead = fields.stream()
                .distinct()
                .map(id -> NotFoundException.require(this.fields.field(who.practiceId(), id), "field"))
                .map(field -> days.ahead(who.practiceId(), field))
                .toList();
        List<SampleGroup> asked = asked(groups);
        List<RoundDay> list = new ArrayList<>();
        for (int day = 0; day < FieldDays.DAYS_AHEAD; day++) {
            Map<UUID, Double> each = new LinkedHashMap<>();
            Map<String, Double> against = new LinkedHashMap<>();
            for (FieldDays.Ahead field : ahead) {
                each.put(field.field().id(), FieldDays.chance(List.of(field), day, asked));
                FieldDays.against(field, day, asked).forEach((code, share) -> against.merge(code, share, Math::max));
            }
            list.add(new RoundDay(
                    ahead.get(0).members().get(0).get(day).weather().date(),
                    FieldDays.chance(ahead, day, asked),
                    each,
                    spoilers(against)));
        }
        List<LocalDate> best = list.stream()
                .filter(day -> day.chance() > 0)
                .sorted(Comparator.comparingDouble(RoundDay::chance).reversed().thenComparing(RoundDay::date))
                .limit(BEST)
                .map(RoundDay::date)
                .toList();
        return new RoundView(list, best);
    }
}
