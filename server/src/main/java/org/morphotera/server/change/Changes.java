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

    /**
     * What can be followed in a field: an indicator at a depth, by whatever it was read.
     *
     * @param key where figures of two keys mean other things, the key with its word; else {@code null}
     * @param method of the newest reading
     */
    public record SeriesEntry(
            String indicator,
            String label,
            String band,
            String depth,
            @Nullable String key,
            @Nullable String keyLabel,
            String method,
            String methodTitle,
            int visits) {}

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

    /** A visit on which it was read, with the treated field as the model has it. */
    public record Date(UUID visitId, LocalDate on, int stops, double middle, double low, double high) {}

    /** What is told of one series of a field between its first and its last date. */
    public record SeriesChange(
            String indicator, String band, @Nullable String key, String label, ChangeVerdict change) {}

    /**
     * Whether the treated field changed between two dates, with the sentence that says so.
     *
     * @param verdict risen, fallen, probably-risen, probably-fallen or cannot-tell
     * @param direction better, worse or none
     * @param probability of the likelier direction
     * @param told whether it is sure enough to be told
     * @param logarithmic whether mean, low, high and smallest are ratios, from one figure to the other, and not
     *     differences
     * @param smallest from which change on it would show
     */
    public record ChangeVerdict(
            LocalDate from,
            LocalDate to,
            String verdict,
            String direction,
            double probability,
            boolean told,
            boolean logarithmic,
            double mean,
            double low,
            double high,
            double earlier,
            double later,
            double smallest,
            String sentence) {}

    /**
     * What one event did where it was done.
     *
     * @param with and {@code without}: the figure on the last visit as it is where it was done, and as it would be
     * @param stops read where it was done, {@code leftAlone} read where it was not
     */
    public record EventChange(
            ManagementEvent event,
            String verdict,
            String direction,
            double probability,
            double mean,
            double low,
            double high,
            double with,
            double without,
            int stops,
            int leftAlone,
            String sentence) {}

    /** The mean slope of the course over the last years: a difference or a ratio a year. */
    public record TrendView(int dates, LocalDate from, double slopePerYear, double low, double high, String sentence) {}

    /**
     * From which change, and which effect of something done now, on it would show after so many more visits.
     *
     * @param stops treated ones, {@code leftAlone} those left alone
     */
    public record Design(int stops, int leftAlone, int visits, double change, double effect) {}

    /** What the field's crop wants of a figure that is best in between, in its unit. */
    public record Wanted(double low, double high) {}

    /**
     * @param better 1 where more of the figure is better, -1 where less is, 0 for neither or in between
     * @param wanted where the best lies in between; {@code null} for all else
     * @param told all that is told of the field, the surest first
     * @param chanceOfError mean chance that something told is wrong, 0 to 1; {@code null} where nothing is told
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
            List<Design> designs,
            List<SeriesChange> told,
            @Nullable Double chanceOfError) {}
}
