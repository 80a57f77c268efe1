package org.morphotera.core.soil;

/**
 * The units readings and figures come in, and how a display in US customary units shows them. The core and the API
 * speak the metric unit only; conversion belongs to displays and to import. One table, used on every side.
 */
public enum Unit {
    NONE("", "", 1, 0, 2),
    PERCENT("%", "%", 1, 0, 1),
    MM("mm", "in", 1 / 25.4, 0, 2),
    MM_PER_HOUR("mm/h", "in/h", 1 / 25.4, 0, 2),
    MM_PER_ROOT_HOUR("mm/√h", "in/√h", 1 / 25.4, 0, 2),
    METRE("m", "ft", 1 / 0.3048, 0, 1),
    ML("mL", "fl oz", 1 / 29.5735295625, 0, 1),
    TONNE("t", "ton", 1.10231131092, 0, 2),
    CUBIC_METRE("m³", "yd³", 1.30795061931, 0, 1),
    GRAM("g", "oz", 1 / 28.349523125, 0, 2),
    KPA("kPa", "psi", 1 / 6.894757293168, 0, 0),
    /** Of latitude, longitude and bearing. */
    DEGREE("°", "°", 1, 0, 0),
    CELSIUS("°C", "°F", 1.8, 32, 0),
    SECOND("s", "s", 1, 0, 0),
    MINUTE("min", "min", 1, 0, 0),
    HOUR("h", "h", 1, 0, 1),
    DAY("d", "d", 1, 0, 0),
    HECTARE("ha", "ac", 1 / 0.40468564224, 0, 1),
    DS_PER_M("dS/m", "dS/m", 1, 0, 2),
    MS_PER_CM("mS/cm", "mS/cm", 1, 0, 2),
    KG_PER_HA("kg/ha", "lb/ac", 0.892179121746, 0, 0),
    T_PER_HA("t/ha", "ton/ac", 0.446089560873, 0, 2),
    MG_PER_KG("mg/kg", "ppm", 1, 0, 0),
    MG_PER_KG_DAY("mg/kg/d", "ppm/d", 1, 0, 0),
    UG_PER_G("µg/g", "ppm", 1, 0, 0),
    CMOL_PER_KG("cmol/kg", "meq/100 g", 1, 0, 1),
    MICROMETRE("µm", "µm", 1, 0, 1),
    SQUARE_METRE("m²", "ft²", 10.7639104167, 0, 2),
    PER_SQUARE_METRE("per m²", "per ft²", 0.09290304, 0, 1),
    PH("pH", "pH", 1, 0, 1),
    BRIX("°Bx", "°Bx", 1, 0, 1),
    T_PER_CUBIC_METRE("t/m³", "lb/ft³", 62.4279606, 0, 1),
    KG_PER_CUBIC_METRE("kg/m³", "lb/yd³", 1.68555493, 0, 0),
    MM_PER_DAY("mm/d", "in/d", 1 / 25.4, 0, 2),
    /** Money, in whatever currency the practice counts in. */
    PER_TONNE("per t", "per ton", 0.90718474, 0, 2),
    STEP("step", "step", 1, 0, 1),
    RATIO(": 1", ": 1", 1, 0, 1);

    private final String symbol;
    private final String usSymbol;
    private final double usFactor;
    private final double usOffset;
    private final int usDecimals;

    Unit(String symbol, String usSymbol, double usFactor, double usOffset, int usDecimals) {
        this.symbol = symbol;
        this.usSymbol = usSymbol;
        this.usFactor = usFactor;
        this.usOffset = usOffset;
        this.usDecimals = usDecimals;
    }

    /** The metric symbol, as written in the API; empty for a pure number. */
    public String symbol() {
        return symbol;
    }

    /** The US customary symbol; the same as {@link #symbol()} where both systems agree. */
    public String usSymbol() {
        return usSymbol;
    }

    /** US customary units in one metric unit; see {@link #toUs}. */
    public double usFactor() {
        return usFactor;
    }

    /** What is added after the factor: 32 for degrees, 0 for all else. */
    public double usOffset() {
        return usOffset;
    }

    /** Decimals that a converted figure usually deserves. */
    public int usDecimals() {
        return usDecimals;
    }

    /** A metric figure in US customary units. */
    public double toUs(double metric) {
        return metric * usFactor + usOffset;
    }

    /** A US customary figure in metric units. */
    public double fromUs(double us) {
        return (us - usOffset) / usFactor;
    }
}
