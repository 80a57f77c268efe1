package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.CoreData;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.TextureGroup;

/**
 * Made-up fields with known truth, drawn part by part from the scatters of the tables, in worlds in which one of them is
 * not as the tables say.
 */
final class ChangeTrials {

    /** Indicators of every scale that a change is told on. */
    static final List<String> INDICATORS = List.of(
            "ph",
            "salinity",
            "organic-matter",
            "earthworms",
            "structure",
            "slaking",
            "ground-cover",
            "compaction",
            "infiltration",
            "respiration",
            "rooting",
            "dispersion");

    /** What is otherwise than the tables say. */
    enum World {
        AS_THE_TABLES,
        VISITS_DOUBLED,
        CONTROLS_SCATTER_THREEFOLD,
        CONTROLS_SWING_BY_SEASON,
        HARSH_RATERS,
        KITS_OFF
    }

    /**
     * A drawn field.
     *
     * @param change what the treated field did between the first and the last visit, on the model's scale
     * @param effect of the event, on the model's scale
     */
    record Drawn(JudgedField field, double change, double effect) {}

    private final Random random;

    ChangeTrials(long seed) {
        this.random = new Random(seed);
    }

    private double normal(double sd) {
        return sd * random.nextGaussian();
    }

    /**
     * @param visits one a year
     * @param effect of lime half a year after the first visit; {@code null} where nothing is done
     * @param drifts whether the field drifts by itself
     */
    Drawn draw(String indicator, World world, int visits, int stops, int leftAlone, Double effect, boolean drifts) {
        Table table = CoreData.BENCHMARKS.table("model." + indicator);
        Table kinds = CoreData.BENCHMARKS.table("model-kinds." + indicator);
        IndicatorModel model = IndicatorModel.of(indicator, CoreData.BENCHMARKS);
        FigureScore.Place place = new FigureScore.Place(TextureGroup.MEDIUM, null, LandUse.ARABLE);
        FigureScore score = model.ofScore() ? null : FigureScore.of(indicator, place, CoreData.BENCHMARKS);
        double level = sd(table, "start") + normal(sd(table, "start-sd") * 0.7);
        double first = level;
        boolean kits = world == World.KITS_OFF && kinds.has("kit");
        String usual = kinds.has("meter") ? "meter" : "laboratory";
        List<JudgedField.Stop> places = new ArrayList<>();
        double[] lasting = new double[stops + leftAlone];
        for (int i = 0; i < lasting.length; i++) {
            StopRole role = i < stops ? StopRole.ROUTINE : StopRole.CONTROL;
            places.add(new JudgedField.Stop("s" + i, "S" + i, role, null));
            lasting[i] = normal(sd(table, "stop"));
        }
        List<JudgedField.Visit> days = new ArrayList<>();
        List<JudgedField.Reading> readings = new ArrayList<>();
        double last = level;
        for (int t = 0; t < visits; t++) {
            if (t > 0 && drifts) {
                level += normal(sd(table, "drift"));
            }
            LocalDate on = LocalDate.of(2020 + t, 4, 10);
            String person = "p" + t;
            days.add(new JudgedField.Visit("v" + t, on, person));
            double visit = normal(sd(table, "visit") * (world == World.VISITS_DOUBLED ? 2 : 1));
            double harsh =
                    world == World.HARSH_RATERS ? normal(2.2 * sd(table, "person") / 2) : normal(sd(table, "person"));
            double season = world == World.CONTROLS_SWING_BY_SEASON ? normal(2 * sd(table, "visit")) : 0;
            // a kit that reads high, and a meter from the second visit on
            boolean byKit = kits && t == 0;
            String kind = byKit ? "kit" : usual;
            Source source = byKit ? Source.KIT : usual.equals("meter") ? Source.METER : Source.LABORATORY;
            double off = byKit ? 0.3 : 0;
            for (int i = 0; i < lasting.length; i++) {
                boolean control = i >= stops;
                double done = effect != null && t > 0 && !control ? effect : 0;
                double scatter = control && world == World.CONTROLS_SCATTER_THREEFOLD ? 3 : 1;
                double value = level
                        + done
                        + visit
                        + harsh
                        + off
                        + (control ? season : 0)
                        + lasting[i]
                        + scatter * normal(sd(table, "spot"))
                        + normal(kinds.at(kind, "sd"));
                double figure = model.scale().figure(value);
                if (model.scale() instanceof ModelScale.Share share) {
                    figure = Math.rint(figure / share.step()) * share.step();
                }
                readings.add(new JudgedField.Reading(
                        "m" + t + "-" + i,
                        indicator,
                        "top-0-100",
                        "method",
                        kind,
                        false,
                        source,
                        "s" + i,
                        "v" + t,
                        score == null ? figure : score.at(figure),
                        figure,
                        null,
                        null,
                        "",
                        null,
                        Set.of()));
            }
            last = level + (effect != null && t > 0 ? effect : 0);
        }
        List<JudgedField.Event> events = effect == null
                ? List.of()
                : List.of(new JudgedField.Event("e", LocalDate.of(2020, 9, 1), event(indicator), "done", null, null));
        return new Drawn(
                new JudgedField(LocalDate.of(2020 + visits, 1, 1), place, places, days, events, readings),
                last - first,
                effect == null ? 0 : effect);
    }

    /** One visit to two patches of so many stops that do not differ. */
    Drawn patches(String indicator, int stops) {
        Drawn drawn = draw(indicator, World.AS_THE_TABLES, 1, 2 * stops, 0, null, false);
        JudgedField field = drawn.field();
        List<JudgedField.Stop> places = new ArrayList<>();
        for (int i = 0; i < field.stops().size(); i++) {
            JudgedField.Stop stop = field.stops().get(i);
            places.add(new JudgedField.Stop(stop.id(), stop.label(), i < stops ? StopRole.POOR : StopRole.GOOD, null));
        }
        return new Drawn(
                new JudgedField(field.on(), field.place(), places, field.visits(), field.events(), field.readings()),
                0,
                0);
    }

    private static String event(String indicator) {
        return CoreData.BENCHMARKS
                .table("model-done." + indicator)
                .rows()
                .keySet()
                .iterator()
                .next();
    }

    private static double sd(Table table, String row) {
        return table.at(row, "value");
    }
}
