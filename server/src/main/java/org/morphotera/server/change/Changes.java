package org.morphotera.server.change;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.fields.Stop;

/** The shapes in which change over years leaves the server. */
public final class Changes {

    private Changes() {}

    /** What can be followed in a field: an indicator at a depth, by one method: figures of two methods are never mixed. */
    public record SeriesEntry(
            String indicator, String label, String band, String depth, String method, String methodTitle, int visits) {}

    /** One reading of one stop. */
    public record Point(
            UUID measurementId,
            UUID stopId,
            UUID visitId,
            LocalDate on,
            double value,
            @Nullable Double low,
            @Nullable Double high,
            double standing,
            String level,
            @Nullable String kind) {}

    /** A visit on which it was read, with the middle of the stops. */
    public record Date(UUID visitId, LocalDate on, int stops, double middle) {}

    /** What one series of a field shows between its first and its last date. */
    public record SeriesChange(String label, ChangeVerdict change) {}

    public record MismatchView(String condition, String label, boolean matters, String earlier, String later) {}

    /**
     * Whether it changed between two dates, with the sentence that says so.
     *
     * @param direction better, worse or none, by what the standings did
     * @param controls stops that were not treated and are held against the others
     * @param logarithmic whether changes are factors, from one figure to the other, and not differences
     * @param deviation of the paired differences, on the scale (of the logarithm where changes are factors)
     * @param shared standard deviation that all readings of a visit share, on the scale; 0 against controls
     */
    public record ChangeVerdict(
            LocalDate from,
            LocalDate to,
            String verdict,
            String direction,
            int pairs,
            int controls,
            boolean logarithmic,
            @Nullable Double mean,
            @Nullable Double low,
            @Nullable Double high,
            @Nullable Double smallest,
            @Nullable Double deviation,
            double shared,
            List<MismatchView> mismatches,
            String sentence) {}

    /** Before and after one event; {@code controls} stops were not treated. */
    public record EventChange(ManagementEvent event, ChangeVerdict change, int controls, String caution) {}

    public record TrendView(
            int dates, double slopePerYear, double low, double high, double p, boolean shown, String sentence) {}

    /** How many stops it would take to see a change of some size. */
    public record StopsNeeded(double change, @Nullable Integer stops) {}

    /** What the field's crop wants of a figure that is best in between, in its unit. */
    public record Wanted(double low, double high) {}

    /**
     * @param better 1 where more of the figure is better, -1 where less is, 0 for neither or in between
     * @param wanted where the best lies in between; {@code null} for all else
     */
    public record ChangeView(
            String field,
            List<SeriesEntry> series,
            @Nullable SeriesEntry chosen,
            @Nullable String unit,
            @Nullable String pattern,
            boolean ofStanding,
            int better,
            @Nullable Wanted wanted,
            List<Stop> stops,
            List<Point> points,
            List<Date> dates,
            @Nullable ChangeVerdict change,
            @Nullable TrendView trend,
            List<EventChange> events,
            List<ManagementEvent> allEvents,
            List<StopsNeeded> stopsNeeded) {}
}
