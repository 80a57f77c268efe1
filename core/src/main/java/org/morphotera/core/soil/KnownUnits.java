package org.morphotera.core.soil;

import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Units as instruments, laboratories and people write them, each as one of {@link Unit}: for what comes in. Factors are
 * those of the international yard and pound (1959); an exchangeable cation's milliequivalent is its centimole of charge.
 */
public final class KnownUnits {

    private static final int DIGITS = 10;
    private static final double INCH_MM = 25.4;
    private static final double PSI_KPA = 6.894757293168;
    private static final double ACRE_HA = 0.40468564224;

    /** One way of writing: metric = written × factor + offset. */
    private record Written(double factor, double offset) {}

    private static final Map<Unit, Map<String, Written>> KNOWN = known();

    private KnownUnits() {}

    private static Map<Unit, Map<String, Written>> known() {
        Map<Unit, Map<String, Written>> known = new EnumMap<>(Unit.class);
        for (Unit unit : Unit.values()) {
            Map<String, Written> ways = new HashMap<>();
            ways.put(plain(unit.symbol()), new Written(1, 0));
            ways.putIfAbsent(
                    plain(unit.usSymbol()), new Written(1 / unit.usFactor(), -unit.usOffset() / unit.usFactor()));
            known.put(unit, ways);
        }
        add(known, Unit.PERCENT, 1, "percent", "pct", "g/100g");
        add(known, Unit.PERCENT, 0.1, "g/kg");
        add(known, Unit.MM, 1, "millimetre", "millimeter", "millimetres", "millimeters");
        add(known, Unit.MM, 10, "cm");
        add(known, Unit.MM, 1000, "m");
        add(known, Unit.MM, INCH_MM, "inch", "inches", "\"");
        add(known, Unit.MM, 12 * INCH_MM, "ft", "foot", "feet");
        add(known, Unit.MM_PER_HOUR, 1, "mm/hr");
        add(known, Unit.MM_PER_HOUR, 10, "cm/h", "cm/hr");
        add(known, Unit.MM_PER_HOUR, 60, "mm/min");
        add(known, Unit.MM_PER_HOUR, INCH_MM, "in/hr", "inch/h", "inches/hour");
        add(known, Unit.MM_PER_HOUR, 60 * INCH_MM, "in/min");
        add(known, Unit.MM_PER_HOUR, 3.6, "um/s");
        add(known, Unit.MM_PER_DAY, 10, "cm/d");
        add(known, Unit.METRE, 1, "metre", "meter", "metres", "meters");
        add(known, Unit.METRE, 0.01, "cm");
        add(known, Unit.METRE, 0.001, "mm");
        add(known, Unit.METRE, 12 * INCH_MM / 1000, "foot", "feet");
        add(known, Unit.ML, 1, "cm3", "cc", "millilitre", "milliliter");
        add(known, Unit.ML, 1000, "l", "litre", "liter");
        add(known, Unit.GRAM, 1000, "kg");
        add(known, Unit.GRAM, 453.59237, "lb");
        add(known, Unit.KPA, 1000, "mpa");
        add(known, Unit.KPA, 100, "bar");
        add(known, Unit.KPA, 98.0665, "kg/cm2", "kgf/cm2");
        add(known, Unit.KPA, PSI_KPA, "lb/in2", "lbf/in2");
        add(known, Unit.CELSIUS, 1, "c", "degc", "celsius");
        Written fahrenheit = new Written(1 / 1.8, -32 / 1.8);
        for (String way : new String[] {"f", "degf", "fahrenheit"}) {
            known.get(Unit.CELSIUS).put(way, fahrenheit);
        }
        add(known, Unit.SECOND, 1, "sec", "second", "seconds");
        add(known, Unit.SECOND, 60, "min", "minute", "minutes");
        add(known, Unit.SECOND, 3600, "h", "hour", "hours");
        add(known, Unit.MINUTE, 1, "minute", "minutes");
        add(known, Unit.MINUTE, 1 / 60.0, "s", "sec", "second", "seconds");
        add(known, Unit.MINUTE, 60, "h", "hour", "hours");
        add(known, Unit.HOUR, 1, "hr", "hour", "hours");
        add(known, Unit.HOUR, 1 / 60.0, "min", "minute", "minutes");
        add(known, Unit.HOUR, 24, "d", "day", "days");
        add(known, Unit.DAY, 1, "day", "days");
        add(known, Unit.HECTARE, 1, "hectare", "hectares");
        add(known, Unit.HECTARE, ACRE_HA, "acre", "acres");
        add(known, Unit.HECTARE, 1e-4, "m2");
        for (Unit unit : new Unit[] {Unit.DS_PER_M, Unit.MS_PER_CM}) {
            add(known, unit, 1, "ds/m", "ms/cm", "mmhos/cm", "mmho/cm");
            add(known, unit, 0.001, "us/cm", "umhos/cm", "umho/cm");
            add(known, unit, 0.01, "ms/m");
        }
        add(known, Unit.KG_PER_HA, 1000, "t/ha");
        add(known, Unit.T_PER_HA, 0.001, "kg/ha");
        add(known, Unit.T_PER_HA, 0.001 / 0.892179121746, "lb/ac");
        for (Unit unit : new Unit[] {Unit.MG_PER_KG, Unit.UG_PER_G}) {
            add(known, unit, 1, "mg/kg", "ug/g", "ppm");
            add(known, unit, 10, "mg/100g");
        }
        add(known, Unit.CMOL_PER_KG, 1, "cmol(+)/kg", "cmolc/kg", "meq/100g", "me/100g");
        add(known, Unit.CMOL_PER_KG, 0.1, "mmolc/kg", "mmol(+)/kg");
        add(known, Unit.MICROMETRE, 1, "um", "micron", "microns");
        add(known, Unit.MICROMETRE, 1000, "mm");
        add(known, Unit.SQUARE_METRE, 1, "m2");
        add(known, Unit.PER_SQUARE_METRE, 1, "/m2", "perm2");
        add(known, Unit.T_PER_CUBIC_METRE, 1, "g/cm3", "g/cc", "kg/l", "mg/m3");
        add(known, Unit.T_PER_CUBIC_METRE, 0.001, "kg/m3");
        add(known, Unit.BRIX, 1, "brix", "%brix");
        return known;
    }

    private static void add(Map<Unit, Map<String, Written>> known, Unit unit, double factor, String... ways) {
        for (String way : ways) {
            known.get(unit).putIfAbsent(plain(way), new Written(factor, 0));
        }
    }

    /** Without spaces, in small letters, with plain digits and letters for those above and from other alphabets. */
    private static String plain(String written) {
        StringBuilder plain = new StringBuilder(written.length());
        for (int i = 0; i < written.length(); i++) {
            char sign = written.charAt(i);
            switch (sign) {
                case '²' -> plain.append('2');
                case '³' -> plain.append('3');
                case 'µ', 'μ' -> plain.append('u');
                case '^' -> {
                    // a power is written without it
                }
                default -> {
                    if (!Character.isWhitespace(sign)) {
                        plain.append(Character.toLowerCase(sign));
                    }
                }
            }
        }
        return plain.toString();
    }

    /**
     * A figure in the unit that readings are taken in.
     *
     * @param written the unit as it is written; empty for the wanted unit itself
     * @param wanted the unit of the reading
     * @return {@code null} when there is no such unit, or it is one of another quantity
     */
    public static @Nullable Double toMetric(double value, String written, Unit wanted) {
        String plain = plain(written);
        if (plain.isEmpty()) {
            return value;
        }
        Written way = KNOWN.get(wanted).get(plain);
        if (way == null) {
            return null;
        }
        // a factor must not add digits that nobody wrote
        return way.factor() == 1 && way.offset() == 0
                ? Double.valueOf(value)
                : Double.valueOf(Numbers.significant(value * way.factor() + way.offset(), DIGITS));
    }

    /** Every way of writing a unit that is understood, for a message. */
    public static java.util.Set<String> ways(Unit wanted) {
        return Collections.unmodifiableSet(
                new java.util.TreeSet<>(KNOWN.get(wanted).keySet()));
    }
}
