package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.soil.DepthLayer;

/**
 * The ground of a place as its tests saw it, ready to be drawn at any size: what lies where by depth, and across by a
 * share of 0..1. Of several stops the middle one is drawn. What nobody looked at isn't there.
 *
 * @param tints recorded colours by depth, the highest first
 * @param roots none where roots were not read
 * @param panMm depth at which a probe met its limit
 * @param waterMm depth at which water stands
 * @param coverShare share of the surface that is covered
 * @param bites depth at which an indicator is felt, by its id
 */
public record GroundPicture(
        List<Tint> tints,
        List<Root> roots,
        @Nullable Double panMm,
        @Nullable Double waterMm,
        @Nullable Double coverShare,
        List<Dot> dots,
        Map<String, Double> bites) {

    /** A layer in its recorded colour, {@code #rrggbb}. */
    public record Tint(double topMm, double bottomMm, String colour) {}

    /** A root from the surface down; {@code bend} to the side at half its depth, -1..1. */
    public record Root(double x, double toMm, double bend) {}

    /**
     * A worm, a crystal of salt, a mottle or a stone.
     *
     * @param kind code of the kind of mark
     * @param size 0..1 of the largest that is drawn
     */
    public record Dot(String kind, double x, double mm, double size) {}

    /** Nothing was looked at. */
    public static final GroundPicture BARE =
            new GroundPicture(List.of(), List.of(), null, null, null, List.of(), Map.of());

    /** Roots that a picture shows, across the ground. */
    private static final double[] ROOTS_AT = {0.12, 0.27, 0.41, 0.56, 0.7, 0.86};

    private static final Map<GroundMark.Kind, Integer> DOTS_AT_ALL = Map.of(
            GroundMark.Kind.SALT,
            40,
            GroundMark.Kind.MOTTLES,
            60,
            GroundMark.Kind.STONES,
            36,
            GroundMark.Kind.WORMS,
            1);
    private static final int MOST_DOTS = 24;

    /** Steps that fill a square evenly however many are taken (Roberts, 2018: the plastic number). */
    private static final double STEP_X = 0.7548776662;

    private static final double STEP_MM = 0.5698402910;

    /** @param marks of all stops, in any order */
    public static GroundPicture of(Collection<GroundMark> marks) {
        Map<GroundMark.Kind, Map<DepthBand, List<GroundMark>>> seen = new EnumMap<>(GroundMark.Kind.class);
        for (GroundMark mark : marks) {
            seen.computeIfAbsent(mark.kind(), kind -> new TreeMap<>())
                    .computeIfAbsent(DepthBand.ofMiddle(mark.layer()), band -> new ArrayList<>())
                    .add(mark);
        }
        return new GroundPicture(
                tints(seen),
                roots(middle(seen, GroundMark.Kind.ROOTS)),
                top(middle(seen, GroundMark.Kind.PAN)),
                top(middle(seen, GroundMark.Kind.WATER)),
                share(middle(seen, GroundMark.Kind.COVER)),
                dots(seen),
                bites(seen));
    }

    private static List<Tint> tints(Map<GroundMark.Kind, Map<DepthBand, List<GroundMark>>> seen) {
        return seen.getOrDefault(GroundMark.Kind.COLOUR, Map.of()).values().stream()
                .map(band -> middle(band, Comparator.comparing(GroundMark::colour)))
                .map(mark -> new Tint(mark.layer().topMm(), mark.layer().bottomMm(), mark.colour()))
                .toList();
    }

    private static List<Root> roots(@Nullable GroundMark mark) {
        if (mark == null) {
            return List.of();
        }
        List<Root> roots = new ArrayList<>(ROOTS_AT.length);
        for (int i = 0; i < ROOTS_AT.length; i++) {
            // most of them end a little above the depth that four fifths reach, one goes past it
            double reach = i == 3 ? 1.1 : 0.72 + 0.28 * part(i, STEP_X);
            roots.add(new Root(ROOTS_AT[i], mark.layer().bottomMm() * reach, 2 * part(i, STEP_MM) - 1));
        }
        return roots;
    }

    private static List<Dot> dots(Map<GroundMark.Kind, Map<DepthBand, List<GroundMark>>> seen) {
        List<Dot> dots = new ArrayList<>();
        seen.forEach((kind, bands) -> {
            int atAll = DOTS_AT_ALL.getOrDefault(kind, 0);
            for (List<GroundMark> band : atAll == 0 ? List.<List<GroundMark>>of() : bands.values()) {
                GroundMark mark = middle(band, Comparator.comparingDouble(GroundMark::amount));
                long number = Math.min(MOST_DOTS, Math.round(mark.amount() * atAll));
                for (int i = 0; i < number; i++) {
                    // each kind begins elsewhere, so that they don't lie on one another
                    int n = i + 1 + MOST_DOTS * kind.ordinal();
                    dots.add(new Dot(
                            kind.code(),
                            0.06 + 0.88 * part(n, STEP_X),
                            mark.layer().topMm() + mark.layer().thicknessMm() * (0.04 + 0.92 * part(n, STEP_MM)),
                            0.5 + 0.5 * part(n, STEP_X + STEP_MM)));
                }
            }
        });
        return dots;
    }

    private static Map<String, Double> bites(Map<GroundMark.Kind, Map<DepthBand, List<GroundMark>>> seen) {
        Map<String, Double> bites = new LinkedHashMap<>();
        for (GroundMark.Kind kind : List.of(GroundMark.Kind.ROOTS, GroundMark.Kind.PAN)) {
            GroundMark mark = middle(seen, kind);
            if (mark != null && mark.bites() != null) {
                bites.put(mark.bites(), mark.layer().bottomMm());
            }
        }
        return bites;
    }

    /** Of a kind that is one line through the whole ground: the middle of all stops. */
    private static @Nullable GroundMark middle(
            Map<GroundMark.Kind, Map<DepthBand, List<GroundMark>>> seen, GroundMark.Kind kind) {
        List<GroundMark> all = seen.getOrDefault(kind, Map.of()).values().stream()
                .flatMap(List::stream)
                .toList();
        return all.isEmpty()
                ? null
                : middle(
                        all,
                        kind == GroundMark.Kind.ROOTS
                                ? Comparator.comparingDouble(
                                        mark -> mark.layer().bottomMm())
                                : Comparator.comparingDouble(mark -> mark.layer() == null
                                        ? mark.amount()
                                        : mark.layer().topMm()));
    }

    private static GroundMark middle(List<GroundMark> marks, Comparator<GroundMark> by) {
        return marks.stream().sorted(by).toList().get((marks.size() - 1) / 2);
    }

    private static @Nullable Double top(@Nullable GroundMark mark) {
        return mark == null ? null : Double.valueOf(mark.layer().topMm());
    }

    private static @Nullable Double share(@Nullable GroundMark mark) {
        return mark == null ? null : Double.valueOf(mark.amount());
    }

    private static double part(int n, double step) {
        double at = n * step;
        return at - Math.floor(at);
    }

    /** The deepest that must be drawn, mm. */
    public double deepestMm() {
        double deepest = panMm == null ? 0 : panMm;
        for (Root root : roots) {
            deepest = Math.max(deepest, root.toMm());
        }
        return Math.min(DepthLayer.DEEPEST_MM, deepest);
    }
}
