package org.morphotera.server.methods;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Bands;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.text.DataTextException;
import org.morphotera.server.web.RefusedException;

/** Curves and bands as they are edited. */
public final class OwnRulesForm {

    private OwnRulesForm() {}

    /** @param standing that a figure has on a curve, 0..1 */
    @Schema(name = "CurvePoint")
    public record Point(double figure, double standing) {}

    /** @param limit where the band ends; absent for the last */
    @Schema(name = "BandLimit")
    public record Band(
            @NotNull @Size(max = 60) String code, @Nullable Double limit, boolean included) {}

    /**
     * A curve or bands.
     *
     * @param source who says so
     */
    @Schema(name = "OwnRule")
    public record Rule(
            @NotNull @Pattern(regexp = "curve|bands", message = "must be curve or bands")
            String kind,

            @NotNull @Pattern(regexp = "[a-z0-9.-]{1,60}", message = "must be the id of a curve or of bands")
            String id,

            @NotBlank @Size(max = 300) String source,
            @Nullable @Valid @Size(max = 60) List<@NotNull Point> points,
            @Nullable @Valid @Size(max = 60) List<@NotNull Band> bands) {}

    static Rule of(Curve curve) {
        return new Rule(
                "curve",
                curve.id(),
                curve.source(),
                IntStream.range(0, curve.xs().size())
                        .mapToObj(i -> new Point(curve.xs().get(i), curve.ys().get(i)))
                        .toList(),
                null);
    }

    static Rule of(Bands bands) {
        return new Rule(
                "bands",
                bands.id(),
                bands.source(),
                null,
                bands.bands().stream()
                        .map(band -> new Band(
                                band.code(),
                                Double.isInfinite(band.limit()) ? null : band.limit(),
                                band.limitIncluded()))
                        .toList());
    }

    /**
     * The sections of a data file.
     *
     * @throws RefusedException at the rule that does not fit
     */
    static String text(List<Rule> rules, Benchmarks over) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < rules.size(); i++) {
            String at = "rules[" + i + "]";
            try {
                String section = section(rules.get(i), at);
                over.with(OwnRules.FILE, section);
                text.append(section);
            } catch (DataTextException | IllegalArgumentException e) {
                String why = e instanceof DataTextException data ? data.problem() : e.getMessage();
                throw RefusedException.of(at, "DOES_NOT_FIT", sentence(why));
            }
        }
        return text.toString();
    }

    private static String section(Rule rule, String at) {
        if (rule.kind().equals("curve")) {
            List<Point> points = required(rule.points(), at + ".points", "Give its points.");
            return new Curve(
                            rule.id(),
                            points.stream().map(Point::figure).toList(),
                            points.stream().map(Point::standing).toList(),
                            rule.source().strip())
                    .section();
        }
        List<Bands.Band> bands = new ArrayList<>();
        for (Band band : required(rule.bands(), at + ".bands", "Give its bands.")) {
            bands.add(new Bands.Band(
                    band.code(), band.limit() == null ? Double.POSITIVE_INFINITY : band.limit(), band.included()));
        }
        return new Bands(rule.id(), bands, rule.source().strip()).section();
    }

    private static <T> List<T> required(@Nullable List<T> list, String field, String message) {
        if (list == null) {
            throw RefusedException.of(field, "NEEDED", message);
        }
        return list;
    }

    private static String sentence(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1) + ".";
    }
}
