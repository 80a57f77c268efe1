package org.morphotera.core.soil;

/** Season of a reading on the hemisphere where it was taken. */
public enum Season implements Coded {
    SPRING,
    SUMMER,
    AUTUMN,
    WINTER;

    /**
     * The meteorological season of a month.
     *
     * @param month 1..12
     * @param south on the southern hemisphere
     */
    public static Season ofMonth(int month, boolean south) {
        int northern = (month + (south ? 6 : 0)) % 12;
        return switch (northern / 3) {
            case 0 -> WINTER;
            case 1 -> SPRING;
            case 2 -> SUMMER;
            default -> AUTUMN;
        };
    }
}
