package org.morphotera.core.weather;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.Unit;

/** The days on which tests of a field can be trusted, from its weather. */
public final class SamplingWindows implements Calculator<SamplingWindows.Inputs> {

    record Day(String date, Double rainMm, Double tMinC, Double tMaxC, Double et0Mm) {

        LocalDate on() {
            return dateOf(date);
        }

        WeatherDay weather() {
            return new WeatherDay(on(), rainMm, tMinC, tMaxC, et0Mm);
        }
    }

    record Inputs(
            TextureClass textureClass,
            Double latitude,
            Double depthMm,
            Double startShare,
            List<Day> days,
            String forecastFrom,
            List<SampleGroup> groups) {}

    private static final List<SampleGroup> USUAL =
            List.of(SampleGroup.PROBE, SampleGroup.SPADE, SampleGroup.WORMS, SampleGroup.WATER_IN);
    private static final int DATE_LENGTH = 10;

    @Override
    public String id() {
        return "sampling-windows";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.word("textureClass", List.of(TextureClass.values()), Need.REQUIRED),
                fields.number("latitude", Unit.DEGREE, Range.between(-90, 90), Need.REQUIRED),
                fields.numberOr("depthMm", Unit.MM, Range.above(0, 5000), 300),
                fields.numberOr("startShare", Unit.NONE, Range.between(0, 1), 0.7),
                fields.list(
                        "days",
                        Range.between(1, 400),
                        Need.REQUIRED,
                        day -> new Day(
                                day.text("date", DATE_LENGTH, Need.REQUIRED),
                                day.number("rainMm", Unit.MM, Range.between(0, 2000), Need.REQUIRED),
                                day.number("tMinC", Unit.CELSIUS, Range.between(-90, 60), Need.REQUIRED),
                                day.number("tMaxC", Unit.CELSIUS, Range.between(-90, 60), Need.REQUIRED),
                                day.number("et0Mm", Unit.MM, Range.between(0, 50), Need.OPTIONAL))),
                fields.text("forecastFrom", DATE_LENGTH, Need.OPTIONAL),
                fields.words(
                        "groups",
                        List.of(SampleGroup.values()),
                        false,
                        Range.between(1, SampleGroup.values().length),
                        Need.OPTIONAL));
    }

    /** The day that a text names, as in 2026-04-01; {@code null} where it names none. */
    private static LocalDate dateOf(String text) {
        if (text.length() != DATE_LENGTH || text.charAt(4) != '-' || text.charAt(7) != '-') {
            return null;
        }
        int[] parts = {0, 0, 0};
        int part = 0;
        for (int i = 0; i < DATE_LENGTH; i++) {
            char each = text.charAt(i);
            if (i == 4 || i == 7) {
                part++;
            } else if (each < '0' || each > '9') {
                return null;
            } else {
                parts[part] = parts[part] * 10 + each - '0';
            }
        }
        try {
            return LocalDate.of(parts[0], parts[1], parts[2]);
        } catch (DateTimeException e) {
            return null;
        }
    }

    @Override
    public void check(Inputs in, Faults faults) {
        LocalDate before = null;
        for (int i = 0; i < in.days().size(); i++) {
            Day day = in.days().get(i);
            LocalDate on = day.on();
            if (on == null) {
                faults.add("days[" + i + "].date", "NOT_A_DATE", Map.of("given", day.date()));
            } else if (before != null && !on.equals(before.plusDays(1))) {
                faults.add("days[" + i + "].date", "NOT_NEXT_DAY", Map.of("wanted", text(before.plusDays(1))));
            }
            before = on;
            if (day.tMaxC() < day.tMinC()) {
                faults.add("days[" + i + "].tMaxC", "MAX_UNDER_MIN", Map.of("min", day.tMinC()));
            }
        }
        if (in.forecastFrom() != null
                && in.days().stream().noneMatch(day -> day.date().equals(in.forecastFrom()))) {
            faults.add("forecastFrom", "NOT_AMONG_DAYS");
        }
    }

    private static String text(LocalDate day) {
        return day.getYear() + "-" + two(day.getMonthValue()) + "-" + two(day.getDayOfMonth());
    }

    private static String two(int number) {
        return (number < 10 ? "0" : "") + number;
    }

    @Override
    @SuppressWarnings("unchecked")
    public void makeSound(Map<String, Object> tree, Random random) {
        LocalDate on = LocalDate.of(2026, 1 + random.nextInt(12), 1);
        List<Map<String, Object>> days = (List<Map<String, Object>>) tree.get("days");
        for (Map<String, Object> day : days) {
            double one = (Double) day.get("tMinC");
            double other = (Double) day.get("tMaxC");
            day.put("date", text(on));
            day.put("tMinC", Math.min(one, other));
            day.put("tMaxC", Math.max(one, other));
            on = on.plusDays(1);
        }
        tree.computeIfPresent(
                "forecastFrom",
                (name, x) -> days.get(random.nextInt(days.size())).get("date"));
    }

    /** The most water that plants could take from a layer, mm. */
    public static double capacityMm(TextureClass texture, double depthMm, Benchmarks benchmarks) {
        return benchmarks.table("soil.available-water").at(texture.code(), "mmPerM") * depthMm / 1000;
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        double capacity = capacityMm(in.textureClass(), in.depthMm(), benchmarks);
        List<FieldDay> days = new WaterBalance(capacity, in.latitude())
                .run(in.startShare(), in.days().stream().map(Day::weather).toList());
        List<SampleGroup> asked = in.groups() == null ? USUAL : in.groups();
        return Evaluation.of(id())
                .value("capacityMm", capacity, Unit.MM)
                .working(
                        "capacityMm",
                        Map.of("perM", capacity * 1000 / in.depthMm(), "depth", in.depthMm()),
                        capacity,
                        Unit.MM,
                        benchmarks.table("soil.available-water").source())
                .series("days", days.stream().map(SamplingWindows::row).toList())
                .series("windows", windows(in, days, asked))
                .build();
    }

    private static Map<String, Object> row(FieldDay day) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("date", text(day.weather().date()));
        row.put("waterMm", day.waterMm());
        row.put("sharePct", day.share() * 100);
        row.put("moisture", day.moisture().code());
        if (day.daysSinceRain() != null) {
            row.put("daysSinceRain", (double) day.daysSinceRain());
        }
        row.put("soilTempC", day.soilTempC());
        row.put("season", day.season().code());
        Map<String, Object> groups = new LinkedHashMap<>();
        for (SampleGroup group : SampleGroup.values()) {
            List<String> why = group.against(day);
            groups.put(group.code(), Map.of("good", why.isEmpty(), "why", why));
        }
        row.put("groups", groups);
        return row;
    }

    private static List<Map<String, Object>> windows(Inputs in, List<FieldDay> days, List<SampleGroup> asked) {
        List<Map<String, Object>> windows = new ArrayList<>();
        LocalDate from = in.forecastFrom() == null ? days.get(0).weather().date() : dateOf(in.forecastFrom());
        FieldDay first = null;
        FieldDay last = null;
        for (FieldDay day : days) {
            boolean good = !day.weather().date().isBefore(from)
                    && asked.stream().allMatch(group -> group.against(day).isEmpty());
            if (good) {
                first = first == null ? day : first;
                last = day;
            } else if (first != null) {
                windows.add(window(first, last));
                first = null;
            }
        }
        if (first != null) {
            windows.add(window(first, last));
        }
        return windows;
    }

    private static Map<String, Object> window(FieldDay first, FieldDay last) {
        LocalDate from = first.weather().date();
        LocalDate to = last.weather().date();
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("from", text(from));
        row.put("to", text(to));
        row.put("days", (double) (to.toEpochDay() - from.toEpochDay() + 1));
        return row;
    }
}
