package org.morphotera.training.trial;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;

/** The day on which an advisor comes, and what the advisor brought: not always what the methods would like. */
record Day(
        SoilMoisture moisture,
        Season season,
        int daysSinceRain,
        double tempC,
        boolean phKit,
        double phDrift,
        boolean rod,
        double augerMm,
        double ringMm,
        double insertedMm,
        boolean doubleRing,
        boolean singleRun,
        boolean vinegar,
        boolean tapWater) {

    static Day draw(Random random) {
        double wet = random.nextDouble();
        SoilMoisture moisture = wet < 0.28 ? SoilMoisture.DRY : wet < 0.85 ? SoilMoisture.MOIST : SoilMoisture.WET;
        double when = random.nextDouble();
        Season season =
                when < 0.38 ? Season.SPRING : when < 0.74 ? Season.AUTUMN : when < 0.9 ? Season.SUMMER : Season.WINTER;
        double temp = switch (season) {
            case SPRING -> 11;
            case SUMMER -> 19;
            case AUTUMN -> 10;
            case WINTER -> 4.5;
        };
        int days = moisture == SoilMoisture.DRY ? 5 + random.nextInt(10) : random.nextInt(4);
        return new Day(
                moisture,
                season,
                days,
                temp + 2.5 * random.nextGaussian(),
                random.nextInt(3) == 0,
                0.1 * random.nextGaussian(),
                random.nextInt(5) == 0,
                70 + 150 * random.nextDouble(),
                100 + 200 * random.nextDouble(),
                30 + 60 * random.nextDouble(),
                random.nextInt(4) == 0,
                random.nextInt(3) == 0,
                random.nextInt(3) == 0,
                random.nextInt(10) == 0);
    }

    boolean dry() {
        return moisture == SoilMoisture.DRY;
    }

    Map<String, Object> context() {
        Map<String, Object> context = new LinkedHashMap<>();
        context.put("soilMoisture", moisture.code());
        context.put("season", season.code());
        context.put("daysSinceRain", daysSinceRain);
        context.put("soilTempC", Math.rint(10 * tempC) / 10);
        return context;
    }
}
