package org.morphotera.core.method.chemistry.labresult;

import java.util.List;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/** What {@link LabResult} shows. */
final class LabResultEvidence implements Evidence<LabResult.Readings> {

    @Override
    public Source source(LabResult.Readings readings) {
        return Source.LABORATORY;
    }

    @Override
    public List<Sighting> sightings(LabResult.Readings readings, Envelope envelope, DepthLayer layer) {
        boolean subsoil = DepthLayer.isSubsoil(layer);
        SightingList seen = new SightingList(envelope)
                .figure(subsoil ? "subsoil-ph" : "surface-ph", "phWater")
                .figure("esp", "espPct")
                .figure(subsoil ? "ece-sub" : "ece", "ece")
                .state("lab-phosphorus", envelope.classes().get("p"))
                .state("lab-potassium", envelope.classes().get("k"))
                .state("lab-magnesium", envelope.classes().get("mg"))
                .state("lab-nitrogen", envelope.classes().get("nitrateN"));
        for (LabResult.Figure each : readings.analytes() == null ? List.<LabResult.Figure>of() : readings.analytes()) {
            if (each.code() == LabResult.Analyte.CEC) {
                seen.number("cec", each.value()); // no finding of its own: a plan for gypsum asks for it
            }
        }
        return subsoil
                ? seen.list()
                : seen.standing("organic-matter", "organic-matter").list();
    }
}
