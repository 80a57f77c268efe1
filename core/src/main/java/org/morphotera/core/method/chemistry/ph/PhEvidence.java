package org.morphotera.core.method.chemistry.ph;

import java.util.List;
import java.util.Map;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/** What {@link Ph} shows. */
final class PhEvidence implements Evidence<Ph.Readings> {

    @Override
    public String kind(Ph.Readings readings, Envelope envelope) {
        return readings.kind() == null ? null : readings.kind().code();
    }

    @Override
    public Source source(Ph.Readings readings) {
        return readings.kind() == null ? Source.METER : readings.kind().source();
    }

    @Override
    public List<Sighting> sightings(Ph.Readings readings, Envelope envelope, DepthLayer layer) {
        Double top = null;
        Double deepest = null;
        for (Map<String, Object> row : envelope.series().getOrDefault("layers", List.of())) {
            Double ph = phWater(row);
            if (ph != null && DepthLayer.isSubsoil(slice(row))) {
                deepest = ph;
            } else if (ph != null && top == null) {
                top = ph;
            }
        }
        return new SightingList(envelope)
                .number("surface-ph", top)
                .number("subsoil-ph", deepest)
                .list();
    }

    @Override
    public DepthLayer rated(Ph.Readings readings, DepthLayer layer) {
        // the first slice is what is rated: where it lies in the subsoil, it does not speak for the top
        List<Ph.Layer> slices = readings.layers();
        Ph.Layer top = slices == null || slices.isEmpty() ? null : slices.get(0);
        DepthLayer first = top == null || top.topMm() == null || top.bottomMm() == null
                ? null
                : new DepthLayer(top.topMm(), top.bottomMm());
        return DepthLayer.isSubsoil(first) ? first : layer;
    }

    /** Of a row as it was worked out, or as it was kept. */
    private static Double phWater(Map<String, Object> row) {
        if (row.get("phWater") instanceof Envelope.Figure ph) {
            return ph.value();
        }
        return row.get("phWater") instanceof Map<?, ?> ph && ph.get("value") instanceof Number x
                ? Double.valueOf(x.doubleValue())
                : null;
    }

    private static DepthLayer slice(Map<String, Object> row) {
        return row.get("topMm") instanceof Number top && row.get("bottomMm") instanceof Number bottom
                ? new DepthLayer(top.doubleValue(), bottom.doubleValue())
                : null;
    }
}
