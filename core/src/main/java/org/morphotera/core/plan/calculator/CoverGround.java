package org.morphotera.core.plan.calculator;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;

/** Which cover species a ground lets grow, by its pH, its salt and its wetness, before the crop that follows. */
final class CoverGround {

    private static final List<String> FAMILIES = List.of("brassica", "cereal", "legume");

    private final CoverCrop.Inputs in;
    private final Table species;
    private final Table follows;
    private final double acid;
    private final double salt;
    private final double wet;

    /** Species whose seed can't be had, or that nobody wants. */
    private final Set<String> without;

    CoverGround(CoverCrop.Inputs in, Benchmarks benchmarks) {
        this.in = in;
        this.species = benchmarks.table("cover.species");
        this.follows = benchmarks.table("cover.follows");
        Table stands = benchmarks.table("cover.stands");
        this.acid = in.phWater() == null
                ? 0
                : in.phWater() < stands.at("very-sour-under", "value")
                        ? 2
                        : in.phWater() < stands.at("sour-under", "value") ? 1 : 0;
        this.salt = in.ece() == null
                ? 0
                : in.ece() >= stands.at("very-salty-from", "value")
                        ? 2
                        : in.ece() >= stands.at("salty-from", "value") ? 1 : 0;
        this.wet = in.wet() ? 1 : 0;
        this.without = in.without() == null
                ? Set.of()
                : Stream.of(in.without().split(","))
                        .map(each -> each.strip().toLowerCase(Locale.ROOT).replace(' ', '-'))
                        .collect(Collectors.toSet());
    }

    private boolean stays(String name) {
        return in.stay() == null
                || switch (in.stay()) {
                    case SHORT -> species.at(name, "short") > 0;
                    case WINTER -> species.at(name, "hardy") > 0;
                    case YEARS -> species.at(name, "years") > 0;
                };
    }

    /** A species of the family of the crop that follows carries that crop's diseases over. */
    boolean carriesOver(String name) {
        return in.following() != null
                && follows.has(in.following())
                && FAMILIES.stream()
                        .anyMatch(family -> follows.at(in.following(), family) > 0 && species.at(name, family) > 0);
    }

    /** Whether it can be sown and stands this ground. */
    boolean lets(String name) {
        return !carriesOver(name)
                && !without.contains(name)
                && stays(name)
                && species.at(name, "acid") >= acid
                && species.at(name, "salt") >= salt
                && species.at(name, "waterlogging") >= wet
                && (in.season() == null || species.at(name, in.season().code()) > 0);
    }
}
