package org.morphotera.core.judgement;

import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.soil.Source;

/**
 * How the readings of an indicator scatter, from its tables {@code model.<indicator>}, {@code model-kinds.<indicator>}
 * (what an instrument or key is worth), {@code model-done.<indicator>} (what is done to a field that can change it) and
 * {@code model-noted.<indicator>} (what a reading is worth that something was noted on).
 *
 * @param ofScore whether the model stands on the score, 0 to 1, and not on the figure
 */
public record IndicatorModel(
        String indicator,
        ModelScale scale,
        boolean ofScore,
        Table figures,
        Table kinds,
        @Nullable Table done,
        @Nullable Table noted) {

    static final String VALUE = "value";
    private static final String SD = "sd";

    /** Half-width of a normal interval of 95 %, in standard deviations. */
    private static final double NORMAL_95 = 1.96;

    /** @throws IllegalArgumentException when the benchmarks have no model of this indicator */
    public static IndicatorModel of(String indicator, Benchmarks benchmarks) {
        Table figures = benchmarks.table("model." + indicator);
        String done = "model-done." + indicator;
        String noted = "model-noted." + indicator;
        return new IndicatorModel(
                indicator,
                ModelScale.of(figures),
                figures.has("of-score"),
                figures,
                benchmarks.table("model-kinds." + indicator),
                benchmarks.hasTable(done) ? benchmarks.table(done) : null,
                benchmarks.hasTable(noted) ? benchmarks.table(noted) : null);
    }

    /** @param withEvent whether something was done that can change it */
    public Scatter scatter(boolean withEvent) {
        return new Scatter(
                at("start"),
                at("start-sd"),
                at("drift"),
                at("event"),
                at("patch"),
                at("stop"),
                at("spot"),
                at("visit"),
                at("person"),
                at("freedom"),
                at(withEvent ? "real-with-event" : "real"));
    }

    private double at(String row) {
        return figures.at(row, VALUE);
    }

    /**
     * Standard deviation of a reading by its instrument, on the model scale: that of its kind, or the wider one that its
     * own interval shows. A kit's colour lies anywhere between its chips, so there the interval alone counts.
     *
     * @param low and {@code high}: interval of the figure, or {@code null}
     */
    double sd(@Nullable String kind, Source source, @Nullable Double low, @Nullable Double high) {
        double usual = kinds.at(row(kind, source), SD);
        if (ofScore || low == null || high == null || high <= low) {
            return usual;
        }
        double half = (scale.of(high) - scale.of(low)) / 2;
        return source == Source.KIT
                ? Math.max(half / Math.sqrt(3), LEAST_SHARE * usual)
                : Math.max(half / NORMAL_95, usual);
    }

    /** A chip is never read to better than this share of what the kind is worth. */
    private static final double LEAST_SHARE = 0.2;

    /** Standard deviation of what all readings of a kind can be off; 0 for the one that the others are held against. */
    double kindSd(@Nullable String kind, Source source) {
        return kinds.at(row(kind, source), "kind-sd");
    }

    /**
     * A reading as it counts on the model scale.
     *
     * @param value less what it is off on average by what was noted
     * @param sd over 0
     */
    record Counted(double value, double sd) {}

    /**
     * What was noted on a reading widens what its instrument is worth, and takes off what it is off by on average.
     *
     * @param marks codes of notes; those that the table does not name change nothing
     */
    Counted counted(double value, double sd, Set<String> marks) {
        double shift = 0;
        double factor = 1;
        double more = 0;
        if (noted != null) {
            for (String each : noted.rows().keySet()) {
                if (marks.contains(each)) {
                    shift += noted.at(each, "shift");
                    factor = Math.max(factor, noted.at(each, "factor"));
                    more += noted.at(each, "shift-sd") * noted.at(each, "shift-sd");
                }
            }
        }
        return new Counted(value - shift, Math.sqrt(factor * factor * sd * sd + more));
    }

    private String row(@Nullable String kind, Source source) {
        return kind != null && kinds.has(kind)
                ? kind
                : kinds.has(source.code())
                        ? source.code()
                        : kinds.rows().keySet().iterator().next();
    }

    /**
     * Standard deviation of what something that is done does to it; {@code null} for what does nothing to it.
     *
     * @param event kind as written, such as {@code lime}
     */
    @Nullable
    Double done(String event) {
        String written = event.strip().toLowerCase(Locale.ROOT).replace(' ', '-');
        return done == null
                ? null
                : done.rows().entrySet().stream()
                        .filter(row -> written.startsWith(row.getKey()))
                        .map(row -> row.getValue().get(0))
                        .findFirst()
                        .orElse(null);
    }

    /** The figure that is shown for a value of the model: itself, or what the score is called by its kind. */
    double shown(double value, @Nullable String kind) {
        if (!ofScore) {
            return value;
        }
        double none = named("figure-at-0", kind, 0);
        return none + value * (named("figure-at-1", kind, USUAL_MOST) - none);
    }

    private static final double USUAL_MOST = 2;

    private double named(String row, @Nullable String kind, double usual) {
        return figures.has(row + "." + kind)
                ? figures.at(row + "." + kind, VALUE)
                : figures.has(row) ? figures.at(row, VALUE) : usual;
    }
}
