package org.morphotera.training;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;

/**
 * The day on which the learner comes, and what is left in the bag.
 *
 * @param kitOnly the meter stayed at home: pH is read off the chips of a kit
 * @param tapWater the rain water ran out
 */
record TrainingDay(
        SoilMoisture moisture, Season season, int daysSinceRain, double soilTempC, boolean kitOnly, boolean tapWater) {

    static TrainingDay draw(Difficulty level, Random random) {
        double bad = switch (level) {
            case CLEAR -> 0;
            case USUAL -> 0.3;
            case HARD -> 0.75;
        };
        boolean off = random.nextDouble() < bad;
        SoilMoisture moisture =
                !off ? SoilMoisture.MOIST : random.nextInt(4) == 0 ? SoilMoisture.WET : SoilMoisture.DRY;
        Season season =
                moisture == SoilMoisture.DRY ? Season.SUMMER : random.nextBoolean() ? Season.SPRING : Season.AUTUMN;
        int days = moisture == SoilMoisture.DRY ? 9 + random.nextInt(9) : moisture == SoilMoisture.WET ? 0 : 2;
        double temp = (season == Season.SUMMER ? 19 : 11) + random.nextInt(5) - 2;
        boolean hard = level == Difficulty.HARD;
        return new TrainingDay(
                moisture, season, days, temp, hard && random.nextBoolean(), hard && random.nextInt(3) == 0);
    }

    /** The best day there is: moist, with rain water and every instrument. */
    static TrainingDay best() {
        return new TrainingDay(SoilMoisture.MOIST, Season.SPRING, 2, 11, false, false);
    }

    boolean dry() {
        return moisture == SoilMoisture.DRY;
    }

    Map<String, Object> context() {
        Map<String, Object> context = new LinkedHashMap<>();
        context.put("soilMoisture", moisture.code());
        context.put("season", season.code());
        context.put("daysSinceRain", daysSinceRain);
        context.put("soilTempC", soilTempC);
        return context;
    }
}
