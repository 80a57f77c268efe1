package org.morphotera.core.plan.calculator;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.morphotera.core.benchmark.Table;

/**
 * A few species that together do all that is asked for: the first is the best for the aims as a whole, each next one adds
 * most to what those before it are weak in, and comes of another family where it can.
 */
final class CoverMixture {

    static final int LEAST = 2;
    static final int MOST = 5;

    /** A trait of this strength answers its aim. */
    private static final double ANSWERS = 2;

    private static final double OTHER_FAMILY = 0.5;
    private static final double SMALL = 0.01;
    private static final List<String> FAMILIES = List.of("brassica", "cereal", "legume", "grass");

    private final CoverCrop.Inputs in;
    private final Table species;
    private final List<String> chosen = new ArrayList<>();

    private CoverMixture(CoverCrop.Inputs in, Table species) {
        this.in = in;
        this.species = species;
    }

    /** @return two to five species, the weightiest first; fewer where the ground lets fewer grow */
    static List<String> of(CoverCrop.Inputs in, CoverGround ground, Table species) {
        CoverMixture mixture = new CoverMixture(in, species);
        List<String> left = new ArrayList<>(
                species.rows().keySet().stream().filter(ground::lets).toList());
        while (mixture.chosen.size() < MOST && !left.isEmpty() && !mixture.isWhole()) {
            String next = left.stream()
                    .max(Comparator.comparingDouble(mixture::adds).thenComparing(Comparator.reverseOrder()))
                    .orElseThrow();
            if (mixture.chosen.size() >= LEAST && mixture.gains(next) == 0) {
                break;
            }
            mixture.chosen.add(next);
            left.remove(next);
        }
        return List.copyOf(mixture.chosen);
    }

    private double covered(CoverCrop.Aim aim) {
        return chosen.stream()
                .mapToDouble(name -> species.at(name, aim.code()))
                .max()
                .orElse(0);
    }

    private boolean isWhole() {
        return chosen.size() >= LEAST && in.aims().stream().allMatch(aim -> covered(aim) >= ANSWERS);
    }

    /** How much it adds to what is not answered yet. */
    private double gains(String name) {
        return in.aims().stream()
                .mapToDouble(aim -> Math.max(0, Math.min(ANSWERS + 1, species.at(name, aim.code())) - covered(aim)))
                .sum();
    }

    private double adds(String name) {
        double whole = in.aims().stream()
                .mapToDouble(aim -> species.at(name, aim.code()))
                .sum();
        boolean other = chosen.stream().noneMatch(each -> family(each).equals(family(name)));
        return gains(name) + (other && !chosen.isEmpty() ? OTHER_FAMILY : 0) + SMALL * whole;
    }

    private String family(String name) {
        return FAMILIES.stream()
                .filter(each -> species.at(name, each) > 0)
                .findFirst()
                .orElse(name);
    }
}
