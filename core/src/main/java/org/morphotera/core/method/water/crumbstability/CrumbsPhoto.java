package org.morphotera.core.method.water.crumbstability;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import org.morphotera.core.method.water.crumbstability.CrumbStability.Cloud;
import org.morphotera.core.method.water.crumbstability.CrumbStability.Slake;
import org.morphotera.core.method.water.crumbstability.CrumbStability.Water;
import org.morphotera.core.photo.Agreed;
import org.morphotera.core.photo.Parts;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.Picture;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * How far crumbs in a light dish have spread between two pictures (image slaking; Fajardo and others, 2016), and how much
 * darker their water has become.
 */
public final class CrumbsPhoto implements PhotoReading<CrumbsPhoto.Inputs> {

    /**
     * The inside of the dish.
     *
     * @param x of its middle, share of the width, 0..1; {@code y} of the height
     * @param radius share of the width, over 0 to 1
     */
    public record Dish(Double x, Double y, Double radius) {}

    /** When the later picture was taken, after the crumbs were wetted. */
    public enum Moment implements Coded {
        SIXTY_SECONDS("60s"),
        TEN_MINUTES("10min"),
        THIRTY_MINUTES("30min");

        private final String code;

        Moment(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    /**
     * @param water in the dish; unless said, rain
     * @param moment of the later picture; unless said, ten minutes
     */
    public record Inputs(Dish dish, Water water, Moment moment) {}

    private static final int MOST_DRAWN = 6;
    private static final double DRAWN_WHOLE = 1.04;
    private static final double DRAWN_PARTLY = 1.45;
    private static final double DRAWN_FALLEN = 2.2;

    /** Share of its light that drawn water loses by a cloud. */
    private static final double DIM_FAINT = 0.14;

    private static final double DIM_STRONG = 0.4;

    private static final double LEAST_SHARE = 0.001;
    private static final double RIM = 0.96;

    /** Crumbs lie so much darker in their dish, L*, or there are none to be told from it. */
    private static final double LEAST_CONTRAST = 12;

    private static final double HOLDS_UNDER = 1.2;
    private static final double PARTLY_TO = 1.8;
    private static final double FAINT_FROM = 3;
    private static final double STRONG_FROM = 10;
    private static final double WHOLE_SHARE = 0.6;
    private static final int MOST_CRUMBS = 24;

    @Override
    public String kind() {
        return "crumbs";
    }

    @Override
    public String method() {
        return "crumb-stability";
    }

    @Override
    public List<String> pictures() {
        return List.of("before", "after");
    }

    @Override
    public Inputs read(Fields fields) {
        Range share = Range.between(0, 1);
        return new Inputs(
                fields.group(
                        "dish",
                        Need.REQUIRED,
                        dish -> new Dish(
                                dish.number("x", Unit.NONE, share, Need.REQUIRED),
                                dish.number("y", Unit.NONE, share, Need.REQUIRED),
                                dish.number("radius", Unit.NONE, Range.between(0.05, 1), Need.REQUIRED))),
                fields.wordOr("water", List.of(Water.values()), Water.RAIN),
                fields.wordOr("moment", List.of(Moment.values()), Moment.TEN_MINUTES));
    }

    @Override
    public Agreed agreed(Map<String, ?> proposed, Map<String, ?> recorded) {
        return Agreed.ofRows(proposed.get("crumbs"), recorded.get("crumbs"), Agreed.alikeBy("slake"));
    }

    @Override
    public List<Drawn> draw(Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        List<?> crumbs = readings.get("crumbs") instanceof List<?> list ? list : List.of();
        double[] ratios = new double[Math.max(1, Math.min(MOST_DRAWN, crumbs.size()))];
        double cloud = 0;
        for (int i = 0; i < ratios.length; i++) {
            Map<?, ?> crumb = i < crumbs.size() && crumbs.get(i) instanceof Map<?, ?> each ? each : Map.of();
            Slake slake = Coded.find(Slake.values(), String.valueOf(crumb.get("slake")));
            boolean fell = slake == Slake.UNDER_60S || slake == Slake.WITHIN_10MIN;
            ratios[i] = !fell ? DRAWN_WHOLE : Boolean.TRUE.equals(crumb.get("partly")) ? DRAWN_PARTLY : DRAWN_FALLEN;
            Cloud seen = Coded.find(Cloud.values(), String.valueOf(crumb.get("cloud10")));
            cloud = Math.max(cloud, seen == Cloud.STRONG ? DIM_STRONG : seen == Cloud.FAINT ? DIM_FAINT : 0);
        }
        return Drawn.crumbs(ratios, cloud, how, chance);
    }

    @Override
    public Answer propose(Inputs inputs, List<Picture> pictures) {
        if (shareOnPicture(pictures.get(0), inputs.dish()) < WHOLE_SHARE) {
            return PhotoReading.refused("dish", "DISH_OUTSIDE");
        }
        Parts before = parts(pictures.get(0), inputs.dish());
        Parts after = parts(pictures.get(1), inputs.dish());
        if (before.contrast() < LEAST_CONTRAST || before.all().isEmpty()) {
            return PhotoReading.refused("before", "NO_CRUMBS");
        }
        if (before.all().size() > MOST_CRUMBS) {
            return PhotoReading.refused("before", "TOO_MANY_PARTS");
        }
        boolean seenAfter = after.contrast() >= LEAST_CONTRAST && !after.all().isEmpty();
        double[] ratios =
                seenAfter ? ratios(before, after) : new double[before.all().size()];
        double cloud = before.restLightness() - after.restLightness();
        Cloud clouded = cloud < FAINT_FROM ? Cloud.NONE : cloud <= STRONG_FROM ? Cloud.FAINT : Cloud.STRONG;

        List<Map<String, Object>> rows = new ArrayList<>();
        List<Map<String, Object>> crumbs = new ArrayList<>();
        double sum = 0;
        int n = 0;
        for (int i = 0; i < ratios.length; i++) {
            Parts.Part part = before.all().get(i);
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("x", part.x() / before.width());
            row.put("y", part.y() / before.height());
            Map<String, Object> crumb = new LinkedHashMap<>();
            if (ratios[i] > 0) {
                row.put("areaRatio", ratios[i]);
                sum += ratios[i];
                n++;
            }
            boolean holds = ratios[i] > 0 && ratios[i] < HOLDS_UNDER;
            Slake fell = inputs.moment() == Moment.SIXTY_SECONDS ? Slake.UNDER_60S : Slake.WITHIN_10MIN;
            crumb.put("slake", (holds ? Slake.HOLDS : fell).code());
            if (!holds) {
                crumb.put("partly", ratios[i] > 0 && ratios[i] <= PARTLY_TO);
            }
            crumb.put("cloud10", clouded.code());
            if (inputs.moment() == Moment.THIRTY_MINUTES) {
                crumb.put("cloud30", clouded.code());
            }
            rows.add(row);
            crumbs.add(crumb);
        }
        Evaluation.Builder out = Evaluation.of(method());
        if (n > 0) {
            out.value("slakingIndex", sum / n - 1, Unit.NONE);
        }
        out.value("cloudDeltaL", cloud, Unit.NONE).series("crumbs", rows);
        if (n < ratios.length) {
            out.note("CRUMBS_GONE", Severity.CAUTION, Map.of("gone", ratios.length - n));
        }
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("water", inputs.water().code());
        readings.put("crumbs", crumbs);
        return new Answer.Proposed(out.build(), readings);
    }

    private static Parts parts(Picture picture, Dish dish) {
        double x = dish.x() * picture.width();
        double y = dish.y() * picture.height();
        double radius = RIM * dish.radius() * picture.width();
        return Parts.darkerThanTheRest(picture, x, y, radius, LEAST_SHARE);
    }

    /** Share of the dish's square that lies on the picture. */
    private static double shareOnPicture(Picture picture, Dish dish) {
        double radius = dish.radius() * picture.width();
        return within(dish.x() * picture.width(), radius, picture.width())
                * within(dish.y() * picture.height(), radius, picture.height());
    }

    private static double within(double middle, double radius, double length) {
        return (Math.min(length, middle + radius) - Math.max(0, middle - radius)) / (2 * radius);
    }

    /**
     * Area of each crumb afterwards over its area before; 0 for one that is not to be found again. A part that lies over
     * several crumbs is theirs by their areas; any other is the nearest crumb's.
     */
    private static double[] ratios(Parts before, Parts after) {
        double[] areas = new double[before.all().size()];
        boolean[] met = new boolean[areas.length];
        double wide = (double) after.width() / before.width();
        double high = (double) after.height() / before.height();
        for (int part = 0; part < after.all().size(); part++) {
            List<Integer> over = new ArrayList<>();
            double areaOfThem = 0;
            for (int i = 0; i < areas.length; i++) {
                Parts.Part crumb = before.all().get(i);
                if (after.partAt(crumb.x() * wide, crumb.y() * high) == part) {
                    over.add(i);
                    areaOfThem += crumb.area();
                }
            }
            if (over.isEmpty()) {
                over = List.of(nearest(before, after.all().get(part), wide, high));
                areaOfThem = before.all().get(over.get(0)).area();
            }
            for (int crumb : over) {
                areas[crumb] +=
                        after.all().get(part).area() * before.all().get(crumb).area() / areaOfThem;
                met[crumb] = true;
            }
        }
        double[] ratios = new double[areas.length];
        Arrays.fill(ratios, 0);
        for (int i = 0; i < ratios.length; i++) {
            if (met[i]) {
                ratios[i] = areas[i] / (before.all().get(i).area() * wide * high);
            }
        }
        return ratios;
    }

    private static int nearest(Parts before, Parts.Part part, double wide, double high) {
        int nearest = 0;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < before.all().size(); i++) {
            Parts.Part crumb = before.all().get(i);
            double distance = Math.hypot(crumb.x() * wide - part.x(), crumb.y() * high - part.y());
            if (distance < least) {
                least = distance;
                nearest = i;
            }
        }
        return nearest;
    }
}
