package org.morphotera.server.fields;

import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.Coded;

/** Stops by what they stand for. */
public final class Patches {

    private Patches() {}

    private static StopRole role(Stop stop) {
        return Coded.find(StopRole.values(), stop.role());
    }

    /** What the stops of a field stand for. */
    public static Set<StopRole> roles(Collection<Stop> stops) {
        Set<StopRole> roles = EnumSet.noneOf(StopRole.class);
        stops.forEach(stop -> roles.add(role(stop)));
        return roles;
    }

    /** The stops of a role. */
    public static List<UUID> stopsOf(Collection<Stop> stops, StopRole role) {
        return stops.stream().filter(stop -> role(stop) == role).map(Stop::id).toList();
    }

    /** The ground of a patch: the largest share of the field that any of its stops was said to speak for. */
    public static FieldFacts.Treated treated(Field field, Collection<Stop> stops, StopRole role) {
        Double share = stops.stream()
                .filter(stop -> role(stop) == role)
                .map(Stop::areaSharePct)
                .filter(Objects::nonNull)
                .max(Double::compare)
                .orElse(null);
        return FieldFacts.Treated.patch(field.areaHa() == null ? 1 : field.areaHa(), share);
    }
}
