package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.score.StopRole;

/**
 * Which stops count for a field, and how much of it each stands for. Stops that speak for the field count alike, or by the
 * area of their zone or patch, which its stops share; those of another patch only where its area is known.
 */
final class StopShares {

    private static final double PERCENT = 100;

    private final Map<String, JudgedField.Stop> stops = new LinkedHashMap<>();
    private final Map<String, Double> shares = new LinkedHashMap<>();

    /** @param all stops of the field */
    StopShares(List<JudgedField.Stop> all) {
        StopRole leading =
                StopRole.leading(all.stream().map(JudgedField.Stop::role).collect(Collectors.toSet()));
        Map<String, List<JudgedField.Stop>> places =
                all.stream().collect(Collectors.groupingBy(StopShares::place, LinkedHashMap::new, Collectors.toList()));
        double known = 0;
        List<JudgedField.Stop> rest = new ArrayList<>();
        for (List<JudgedField.Stop> place : places.values()) {
            OptionalDouble area = place.stream()
                    .filter(each -> each.areaPct() != null && !each.role().isUntreated())
                    .mapToDouble(JudgedField.Stop::areaPct)
                    .max();
            if (area.isPresent()) {
                place.forEach(each -> shares.put(each.id(), area.getAsDouble() / PERCENT / place.size()));
                known += area.getAsDouble() / PERCENT;
            } else {
                place.stream()
                        .filter(each -> leading == null || each.role() == leading)
                        .forEach(rest::add);
            }
        }
        double left = Math.max(0, 1 - known);
        rest.forEach(each -> shares.put(each.id(), left / rest.size()));
        double sum = shares.values().stream().mapToDouble(Double::doubleValue).sum();
        shares.replaceAll((id, share) -> sum > 0 ? share / sum : 1.0 / shares.size());
        all.stream().filter(each -> shares.containsKey(each.id())).forEach(each -> stops.put(each.id(), each));
    }

    private static String place(JudgedField.Stop of) {
        return of.zone() != null
                ? "zone " + of.zone()
                : of.inPatch() != null ? "patch " + of.inPatch() : "stop " + of.id();
    }

    /** The stops that count, by id, in the order of the field. */
    Map<String, JudgedField.Stop> stops() {
        return stops;
    }

    /** The share of each, 0 to 1, by id; they add up to 1. */
    Map<String, Double> shares() {
        return shares;
    }
}
