package org.morphotera.server.demo;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.SoilProperty;

/** A made-up field: what it is, what was done to it, and how its soil goes over six years, stop by stop. */
final class DemoField {

    /**
     * Something done.
     *
     * @param stops indices of the stops it was done at; empty for all
     */
    record DemoEvent(double yearsAgo, String kind, String what, String rate, Double cost, List<Integer> stops) {}

    final String grower;
    final String name;
    final String landUse;
    final String crop;
    final double areaHa;
    final String texture;
    final String purpose;
    final String note;
    final List<String> stops;
    final List<DemoEvent> events = new ArrayList<>();
    private final Map<String, DemoCourse> courses = new LinkedHashMap<>();
    private final Map<String, Double> offsets = new HashMap<>();
    private final Map<String, Double> untouched = new HashMap<>();
    /** What each stop stands for, and which share of the field its patch takes, %. */
    final List<StopRole> roles = new ArrayList<>();

    final Map<StopRole, Double> shares = new EnumMap<>(StopRole.class);
    /** Earlier visits fell into another season and a drier soil: what changed since then may only look so. */
    boolean earlierVisitsUnlike;
    /** whether its low corner is a zone of its own, and a ditch runs through it */
    boolean zones;
    /** Some tests at its first stop were read from photos. */
    boolean readFromPhotos;
    /** No laboratory was asked for exchangeable sodium yet. */
    boolean sodiumUnknown;

    DemoField(
            String grower,
            String name,
            String landUse,
            String crop,
            double areaHa,
            String texture,
            String purpose,
            String note,
            List<String> stops) {
        this.grower = grower;
        this.name = name;
        this.landUse = landUse;
        this.crop = crop;
        this.areaHa = areaHa;
        this.texture = texture;
        this.purpose = purpose;
        this.note = note;
        this.stops = stops;
    }

    static List<String> numbered(int count) {
        return IntStream.rangeClosed(1, count).mapToObj(i -> "Stop " + i).toList();
    }

    /** The same all the time: name and figure, name and figure. */
    DemoField is(Object... namesAndFigures) {
        for (int i = 0; i < namesAndFigures.length; i += 2) {
            courses.put(
                    (String) namesAndFigures[i], DemoCourse.steady(((Number) namesAndFigures[i + 1]).doubleValue()));
        }
        return this;
    }

    /** Moves from one figure to another, beginning so many years ago. */
    DemoField goes(String name, double before, double after, double sinceYears, double overYears) {
        courses.put(name, new DemoCourse(before, after, sinceYears, overYears));
        return this;
    }

    /** One stop stands apart by so much. */
    DemoField at(int stop, String name, double offset) {
        offsets.put(stop + name, offset);
        return this;
    }

    /** One stop stays as it is whatever is done to the rest. */
    DemoField stays(int stop, String name, double value) {
        untouched.put(stop + name, value);
        return this;
    }

    /** What the stops stand for, in their order; routine where nothing is said. */
    DemoField roles(StopRole... ofStops) {
        roles.addAll(List.of(ofStops));
        return this;
    }

    /** Which share of the field the patch of a role takes, %. */
    DemoField share(StopRole role, double percent) {
        shares.put(role, percent);
        return this;
    }

    StopRole roleOf(int stop) {
        return stop < roles.size() ? roles.get(stop) : StopRole.ROUTINE;
    }

    DemoField done(double yearsAgo, String kind, String what, String rate, Double cost, Integer... stops) {
        events.add(new DemoEvent(yearsAgo, kind, what, rate, cost, List.of(stops)));
        return this;
    }

    DemoField sodiumUnknown() {
        sodiumUnknown = true;
        return this;
    }

    DemoField photographed() {
        readFromPhotos = true;
        return this;
    }

    DemoField zoned() {
        zones = true;
        return this;
    }

    DemoField unlikeEarlier() {
        earlierVisitsUnlike = true;
        return this;
    }

    /** The truth at a stop on a day, as simulated tests meet it. */
    MadeUpSoil soilAt(int stop, double yearsAgo, boolean dry, double soilTempC) {
        return new Place(this, stop, yearsAgo, dry, soilTempC);
    }

    private record Place(DemoField field, int stop, double yearsAgo, boolean dry, double soilTempC)
            implements MadeUpSoil {

        @Override
        public double get(SoilProperty property) {
            return property == SoilProperty.TEMPERATURE ? soilTempC : field.value(property.code(), stop, yearsAgo);
        }

        @Override
        public TextureClass texture() {
            return Coded.find(TextureClass.values(), field.texture);
        }

        @Override
        public LandUse landUse() {
            return Coded.find(LandUse.values(), field.landUse);
        }

        @Override
        public String crop() {
            return field.crop;
        }

        @Override
        public boolean sodiumUnknown() {
            return field.sodiumUnknown;
        }
    }

    /** A property at a stop, so many years before today. */
    double value(String name, int stop, double yearsAgo) {
        if (untouched.containsKey(stop + name)) {
            return untouched.get(stop + name);
        }
        DemoCourse course = courses.get(name);
        double there = course == null ? Coded.find(SoilProperty.values(), name).usual() : course.at(yearsAgo);
        return there + offsets.getOrDefault(stop + name, 0.0);
    }
}
