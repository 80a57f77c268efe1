package org.morphotera.core.weather;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;

/** Tests that ask the same of a day. */
public enum SampleGroup implements Coded {
    /** Strength of the soil, which follows its moisture most closely. */
    PROBE {
        @Override
        void against(FieldDay day, List<String> why) {
            notMoist(day, why);
            if (day.daysSinceRain() == null || day.daysSinceRain() > MOST_DAYS) {
                why.add("RAIN_TOO_LONG_AGO");
            } else if (day.daysSinceRain() < 1) {
                why.add("RAIN_TOO_RECENT");
            }
        }
    },
    /** What is seen on a spade of soil. */
    SPADE {
        @Override
        void against(FieldDay day, List<String> why) {
            notMoist(day, why);
            if (day.season() == Season.SUMMER || day.season() == Season.WINTER) {
                why.add("OUT_OF_SEASON");
            }
        }
    },
    WORMS {
        @Override
        void against(FieldDay day, List<String> why) {
            SPADE.against(day, why);
            if (day.soilTempC() < COLDEST_C) {
                why.add("SOIL_COLD");
            } else if (day.soilTempC() > WARMEST_C) {
                why.add("SOIL_WARM");
            }
        }
    },
    WATER_IN {
        @Override
        void against(FieldDay day, List<String> why) {
            ifWet(day, why);
        }
    },
    SALT {
        @Override
        void against(FieldDay day, List<String> why) {
            ifWet(day, why);
        }
    },
    SAP {
        @Override
        void against(FieldDay day, List<String> why) {
            if (day.weather().rainMm() >= WET_LEAVES_MM) {
                why.add("LEAVES_WET");
            }
            if (day.weather().meanC() < GROWS_FROM_C) {
                why.add("NOT_GROWING");
            }
        }
    };

    /** What a test asks of a day; {@code null} where it asks nothing of the weather. */
    public static SampleGroup of(String method, Benchmarks benchmarks) {
        Table groups = benchmarks.table("day.group");
        for (SampleGroup group : values()) {
            if (groups.has(method) && groups.at(method, group.code()) > 0) {
                return group;
            }
        }
        return null;
    }

    private static final int MOST_DAYS = 3;
    private static final double COLDEST_C = 5;
    private static final double WARMEST_C = 20;
    private static final double WET_LEAVES_MM = 1;
    private static final double GROWS_FROM_C = 8;

    abstract void against(FieldDay day, List<String> why);

    /** Codes of what speaks against testing on a day; empty where it is good. */
    public List<String> against(FieldDay day) {
        List<String> why = new ArrayList<>();
        against(day, why);
        return why;
    }

    private static void notMoist(FieldDay day, List<String> why) {
        if (day.moisture() == SoilMoisture.DRY) {
            why.add("SOIL_DRY");
        }
        ifWet(day, why);
    }

    private static void ifWet(FieldDay day, List<String> why) {
        if (day.moisture() == SoilMoisture.WET) {
            why.add("SOIL_WET");
        }
    }
}
