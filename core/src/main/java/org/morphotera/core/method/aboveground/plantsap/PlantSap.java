package org.morphotera.core.method.aboveground.plantsap;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/** Sugar, acidity and salts of plant sap. The wanted figures are a practitioners' habit and weak evidence. */
public final class PlantSap implements FieldMethod<PlantSap.Readings> {

    /** Any of the three; at least one. */
    public record Readings(Double brixPct, Double sapPh, Double sapEcMsCm) {}

    private static final Range SAP_EC = Range.between(0, 100).over("UNIT_LOOKS_LIKE_MICROSIEMENS");

    @Override
    public MethodCard card() {
        return new MethodCard(
                "plant-sap",
                Family.ABOVE_GROUND,
                List.of(
                        new MethodCard.Indicator("sap-brix", "brixPct"),
                        new MethodCard.Indicator("sap-ph", "sapPh"),
                        new MethodCard.Indicator("sap-conductivity", "sapEcMsCm")),
                null,
                8,
                null,
                null,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("brixPct", Unit.BRIX, Range.PERCENT, Need.OPTIONAL),
                fields.number("sapPh", Unit.PH, Range.PH, Need.OPTIONAL),
                fields.number("sapEcMsCm", Unit.MS_PER_CM, SAP_EC, Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (readings.brixPct() == null && readings.sapPh() == null && readings.sapEcMsCm() == null) {
            faults.add("", "ONE_AT_LEAST");
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("plant-sap");
        if (readings.brixPct() != null) {
            out.value("brixPct", readings.brixPct(), Unit.BRIX)
                    .curve("sap-brix", benchmarks.curve("sap.brix"), readings.brixPct(), null, null);
        }
        if (readings.sapPh() != null) {
            double standing = benchmarks.curve("sap.ph").at(readings.sapPh());
            out.value("sapPh", readings.sapPh(), Unit.PH)
                    .level("sap-ph", standing, null, null, Map.of("figure", readings.sapPh()))
                    .working(
                            "sapPh",
                            Map.of("ph", readings.sapPh()),
                            standing,
                            Unit.NONE,
                            "Practitioners' rule, weak evidence");
        }
        if (readings.sapEcMsCm() != null) {
            out.value("sapEcMsCm", readings.sapEcMsCm(), Unit.MS_PER_CM)
                    .curve("sap-conductivity", benchmarks.curve("sap.conductivity"), readings.sapEcMsCm(), null, null);
        }
        return out.note("WEAK_EVIDENCE", Severity.INFO).build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new PlantSapEvidence();
    }
}
