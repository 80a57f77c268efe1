package org.morphotera.core.method.life.microbialbiomass;

import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.TimedStep;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/** Microbial biomass by a colour reaction of a settled sample; the colour fades, so it is read within two minutes. */
public final class MicrobialBiomass implements FieldMethod<MicrobialBiomass.Readings> {

    /**
     * @param ugCPerG carbon in microbes, 0..100 000 µg/g of soil, as the test shows it
     * @param minutesSinceDrops between the drops and reading, or {@code null}
     * @param settleMinutes for which the soil settled before, or {@code null}
     */
    public record Readings(Double ugCPerG, Double minutesSinceDrops, Double settleMinutes) {}

    private static final double READ_WITHIN_MIN = 2;
    private static final double SETTLED_AFTER_MIN = 20;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("microbial-biomass", "ugCPerG"));
        List<TimedStep> steps = List.of(
                new TimedStep("mix", 30, 5),
                new TimedStep("tap", 330, 30),
                new TimedStep("drops", 1230, 120),
                new TimedStep("read", 1350, 30));
        return new MethodCard("microbial-biomass", Family.LIFE, rates, null, 8, 0, 150, steps);
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("ugCPerG", Unit.UG_PER_G, Range.between(0, 100_000), Need.REQUIRED),
                fields.number("minutesSinceDrops", Unit.MINUTE, Range.MINUTES, Need.OPTIONAL),
                fields.number("settleMinutes", Unit.MINUTE, Range.MINUTES, Need.OPTIONAL));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of("microbial-biomass").value("ugCPerG", readings.ugCPerG(), Unit.UG_PER_G);
        if (Boolean.TRUE.equals(context.biocharWithin6Months())) {
            out.note("BIOCHAR_INTERFERES", Severity.CAUTION);
        }
        if (readings.minutesSinceDrops() != null && readings.minutesSinceDrops() > READ_WITHIN_MIN) {
            out.note("READ_LATE", Severity.CAUTION);
        }
        if (readings.settleMinutes() != null && readings.settleMinutes() < SETTLED_AFTER_MIN) {
            out.note("UNDERSETTLED", Severity.CAUTION);
        }
        return out.curve("microbial-biomass", benchmarks.curve("microbial-biomass"), readings.ugCPerG(), null, null)
                .build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new MicrobialBiomassEvidence();
    }
}
