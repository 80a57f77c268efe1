package org.morphotera.core.weather;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;

/**
 * Water in a layer of soil from day to day: rain comes in, plants and sun take it out, more slowly once half of it is
 * gone, and what the layer can't hold runs through.
 *
 * @param capacityMm most water that plants could take, mm
 * @param latitude degrees, south negative; the equator counts as north
 */
public record WaterBalance(double capacityMm, double latitude) {

    private static final double EASY_SHARE = 0.5;
    private static final double DRY_UNDER = 0.4;
    private static final double WET_FROM = 0.98;
    private static final double REAL_RAIN_MM = 10;
    private static final int WEEK = 7;

    /**
     * Each day in turn.
     *
     * @param startShare share of the capacity that is there on the evening before the first day, 0..1
     * @param days consecutive
     */
    public List<FieldDay> run(double startShare, List<WeatherDay> days) {
        List<FieldDay> found = new ArrayList<>(days.size());
        double water = startShare * capacityMm;
        Integer since = null;
        double sum = 0;
        for (int i = 0; i < days.size(); i++) {
            WeatherDay day = days.get(i);
            double et0 = day.et0Mm() != null ? day.et0Mm() : Evapotranspiration.ofTemperatures(day, latitude);
            double et = et0 * Math.min(1, water / (EASY_SHARE * capacityMm));
            water = Math.max(0, Math.min(capacityMm, water + day.rainMm() - et));
            double twoDays = day.rainMm() + (i == 0 ? 0 : days.get(i - 1).rainMm());
            if (day.rainMm() > 0 && twoDays >= REAL_RAIN_MM) {
                since = 0;
            } else if (since != null) {
                since++;
            }
            sum += day.meanC() - (i >= WEEK ? days.get(i - WEEK).meanC() : 0);
            double share = water / capacityMm;
            found.add(new FieldDay(
                    day,
                    water,
                    share,
                    moisture(share, since),
                    since,
                    sum / Math.min(i + 1, WEEK),
                    Season.ofMonth(day.date().getMonthValue(), latitude < 0)));
        }
        return found;
    }

    private static SoilMoisture moisture(double share, Integer since) {
        if (share < DRY_UNDER) {
            return SoilMoisture.DRY;
        }
        return share >= WET_FROM || since != null && since == 0 ? SoilMoisture.WET : SoilMoisture.MOIST;
    }
}
