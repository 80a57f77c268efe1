package org.morphotera.server.weather;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.weather.FieldDay;
import org.morphotera.core.weather.SampleGroup;
import org.morphotera.core.weather.SamplingWindows;
import org.morphotera.core.weather.WaterBalance;
import org.morphotera.core.weather.WeatherDay;
import org.morphotera.placement.FieldShapes;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.FieldIndicators;
import org.morphotera.server.indicators.IndicatorRow;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The coming days of a field, in every course that the weather may take. */
@Component
public class FieldDays {

    /** Days of weather behind today: after so many it no longer matters how wet the soil was taken to be at first. */
    static final int DAYS_BACK = 60;

    /** Days ahead that a forecast reaches. */
    public static final int DAYS_AHEAD = 14;

    private static final double DEPTH_MM = 300;
    private static final double START_SHARE = 0.7;
    private static final TextureClass UNKNOWN_TEXTURE = TextureClass.LOAM;
    private static final WeatherSource.Spot UNKNOWN_PLACE = new WeatherSource.Spot(0, 52);
    private static final WeatherSource.Spot UNKNOWN_IN_THE_SOUTH = new WeatherSource.Spot(0, -38);

    /**
     * A field with its courses.
     *
     * @param capacityMm most water for plants in the upper soil, mm
     * @param placed whether the field has a position; otherwise that of another field of the practice, or none, stands in
     * @param known whether its texture is known; a loam stands in otherwise
     * @param today as the past makes it
     * @param members for each course the coming days, today first
     */
    public record Ahead(
            Field field,
            TextureClass texture,
            boolean known,
            boolean placed,
            double capacityMm,
            FieldDay today,
            List<List<FieldDay>> members,
            List<RainReading> own) {}

    private final FieldReader fields;
    private final FieldIndicators indicators;
    private final RainMapper rain;
    private final WeatherSource weather;
    private final Benchmarks benchmarks;
    private final AccountReader accounts;
    private final JsonMapper json;
    private final Clock clock;

    FieldDays(
            FieldReader fields,
            FieldIndicators indicators,
            RainMapper rain,
            WeatherSource weather,
            Benchmarks benchmarks,
            AccountReader accounts,
            JsonMapper json,
            Clock clock) {
        this.fields = fields;
        this.indicators = indicators;
        this.rain = rain;
        this.weather = weather;
        this.benchmarks = benchmarks;
        this.accounts = accounts;
        this.json = json;
        this.clock = clock;
    }

    private WeatherSource.Spot unknown(UUID practice) {
        boolean south = "south".equals(accounts.practice(practice).hemisphere());
        return south ? UNKNOWN_IN_THE_SOUTH : UNKNOWN_PLACE;
    }

    public Ahead ahead(UUID practice, Field field) {
        LocalDate today = LocalDate.now(clock);
        WeatherSource.Spot spot = spot(practice, field);
        boolean placed = spot != null;
        if (!placed) {
            Double latitude = fields.latitude(practice);
            spot = latitude == null ? unknown(practice) : new WeatherSource.Spot(0, latitude);
        }
        String code =
                IndicatorRow.readings(indicators.ofField(practice, field.id())).texture(field.textureClass());
        TextureClass texture = code == null ? null : Coded.find(TextureClass.values(), code);
        boolean known = texture != null;
        double capacity = SamplingWindows.capacityMm(known ? texture : UNKNOWN_TEXTURE, DEPTH_MM, benchmarks);
        List<RainReading> own = rain.since(practice, field.id(), today.minusDays(DAYS_BACK));
        List<WeatherDay> past = withOwn(weather.past(spot, today.minusDays(DAYS_BACK), today.minusDays(1)), own);
        WaterBalance balance = new WaterBalance(capacity, spot.latitude());
        List<List<FieldDay>> members = new ArrayList<>();
        for (List<WeatherDay> course : weather.forecast(spot, today, DAYS_AHEAD)) {
            List<WeatherDay> all = new ArrayList<>(past);
            all.addAll(withOwn(course, own));
            List<FieldDay> days = balance.run(START_SHARE, all);
            members.add(days.subList(past.size(), days.size()));
        }
        FieldDay now = balance.run(START_SHARE, past).get(past.size() - 1);
        return new Ahead(field, known ? texture : UNKNOWN_TEXTURE, known, placed, capacity, now, members, own);
    }

    /** What was read in the field's own gauge wins. */
    private static List<WeatherDay> withOwn(List<WeatherDay> days, List<RainReading> own) {
        Map<LocalDate, Double> read = own.stream().collect(Collectors.toMap(RainReading::fellOn, RainReading::rainMm));
        return days.stream()
                .map(day -> read.containsKey(day.date())
                        ? new WeatherDay(day.date(), read.get(day.date()), day.tMinC(), day.tMaxC(), day.et0Mm())
                        : day)
                .toList();
    }

    private WeatherSource.@Nullable Spot spot(UUID practice, Field field) {
        for (Stop stop : fields.stops(practice, field.id())) {
            if (stop.longitude() != null && stop.latitude() != null) {
                return new WeatherSource.Spot(stop.longitude(), stop.latitude());
            }
        }
        if (field.boundary() == null) {
            return null;
        }
        try {
            double[] middle = FieldShapes.middle(json.readValue(field.boundary(), Object.class));
            return middle == null ? null : new WeatherSource.Spot(middle[0], middle[1]);
        } catch (JacksonException e) {
            return null; // an outline kept by an earlier version that can't be read gives no place
        }
    }

    /**
     * The share of courses in which a day is good for all of some groups.
     *
     * @param ahead one or several fields, whose courses go together
     * @param day 0 for today
     */
    static double chance(List<Ahead> ahead, int day, List<SampleGroup> groups) {
        int members = ahead.get(0).members().size();
        int good = 0;
        for (int member = 0; member < members; member++) {
            boolean all = true;
            for (Ahead field : ahead) {
                FieldDay at = field.members().get(member).get(day);
                all &= groups.stream().allMatch(group -> group.against(at).isEmpty());
            }
            good += all ? 1 : 0;
        }
        return (double) good / members;
    }

    /** What speaks against a day, most often first, with the share of courses in which it does. */
    static Map<String, Double> against(Ahead ahead, int day, List<SampleGroup> groups) {
        Map<String, Double> shares = new TreeMap<>();
        double one = 1.0 / ahead.members().size();
        for (List<FieldDay> member : ahead.members()) {
            groups.stream()
                    .flatMap(group -> group.against(member.get(day)).stream())
                    .distinct()
                    .forEach(code -> shares.merge(code, one, Double::sum));
        }
        Map<String, Double> sorted = new LinkedHashMap<>();
        shares.entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
                .forEach(entry -> sorted.put(entry.getKey(), entry.getValue()));
        return sorted;
    }
}
