package org.morphotera.core.plan;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;

/** The facts of the part of a field that a constraint holds back: what is spread goes there, by the readings there. */
final class HeldGround {

    private HeldGround() {}

    /** The facts of the field, or of its part where the constraint is named of a part alone. */
    static FieldFacts of(FieldFacts field, Limits.Belief belief, StopFindings findings) {
        List<String> held = belief.heldBack();
        if (!belief.namedInPart() || held.isEmpty() || field.treated().patch()) {
            return field;
        }
        Map<String, Double> shares = findings.shares();
        double share = held.stream().mapToDouble(shares::get).sum();
        Double ph = mean("surface-ph", held, findings);
        Double below = mean("subsoil-ph", held, findings);
        Double ece = mean("ece", held, findings);
        Double probe = mean("probe-depth", held, findings);
        return field.ofPart(
                share,
                ph == null || field.ph() == null
                        ? field.ph()
                        : new FieldFacts.Ph(
                                ph, field.ph().halfWidth(), field.ph().source()),
                below == null ? field.subsoilPh() : below,
                ece == null ? field.ece() : ece,
                probe == null ? field.layerBottomMm() : Double.valueOf(FieldFacts.layerBottom(Math.rint(probe))));
    }

    private static @Nullable Double mean(String finding, List<String> stops, StopFindings findings) {
        OptionalDouble mean = stops.stream()
                .map(stop -> findings.at(stop).get(finding))
                .filter(each -> each != null && each.figure() != null)
                .map(Found::figure)
                .mapToDouble(Double::doubleValue)
                .average();
        return mean.isPresent() ? Double.valueOf(Math.rint(TENTHS * mean.getAsDouble()) / TENTHS) : null;
    }

    /** pH and conductivity are told to a tenth. */
    private static final double TENTHS = 10;
}
