package org.morphotera.core.judgement;

/**
 * What is known of an indicator before any field is read, on its model scale. All but {@code start}, {@code freedom} and
 * {@code real} are standard deviations.
 *
 * @param start level of a field that nothing is known of
 * @param startSd of that level
 * @param drift of a year of what goes on by itself
 * @param event of what an event does of which nothing more is known
 * @param patch of a named patch against the routine stops
 * @param stop of the lasting difference of a stop within its patch
 * @param spot of one day's hole beside another at the same stop
 * @param visit of what all readings of one visit share
 * @param person of a scorer who is harsh or mild; 0 for meters
 * @param freedom degrees of freedom that stand behind these figures
 * @param real chance, 0 to 1, that something did change
 */
public record Scatter(
        double start,
        double startSd,
        double drift,
        double event,
        double patch,
        double stop,
        double spot,
        double visit,
        double person,
        double freedom,
        double real) {

    /** The same with other scatters of stops, spots, visits and people. */
    Scatter with(double ofStop, double ofSpot, double ofVisit, double ofPerson) {
        return new Scatter(start, startSd, drift, event, patch, ofStop, ofSpot, ofVisit, ofPerson, freedom, real);
    }

    /** The same with another chance that something did change. */
    public Scatter withReal(double chance) {
        return new Scatter(start, startSd, drift, event, patch, stop, spot, visit, person, freedom, chance);
    }
}
