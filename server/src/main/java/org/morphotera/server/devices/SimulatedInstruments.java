package org.morphotera.server.devices;

import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.FieldIndicators;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.training.simulate.HiddenSoil;
import org.morphotera.training.simulate.Instrument;
import org.morphotera.training.simulate.SimulatedInstrument;
import org.springframework.stereotype.Component;

/** Instruments in a hidden soil of each stop, which agrees with what was read there before. */
@Component
class SimulatedInstruments implements Instruments {

    private final FieldIndicators indicators;
    private final Random random = new Random();

    SimulatedInstruments(FieldIndicators indicators) {
        this.indicators = indicators;
    }

    @Override
    public Connected connect(Instrument.Kind kind, UUID practice, Stop stop, double depthMm) {
        List<IndicatorRow> known = indicators.ofField(practice, stop.fieldId()).stream()
                .filter(row -> row.stopId().equals(stop.id()))
                .toList();
        HiddenSoil soil = new HiddenSoil(stop.id().getLeastSignificantBits());
        double truth = soil.truth(kind, depthMm, figure(known, "ph"), figure(known, "salinity"));
        return new Connected(new SimulatedInstrument(kind, truth, new Random(random.nextLong())), true);
    }

    private static Double figure(List<IndicatorRow> rows, String indicator) {
        return rows.stream()
                .filter(row -> row.indicator().equals(indicator) && row.figure() != null)
                .map(IndicatorRow::figure)
                .findFirst()
                .orElse(null);
    }
}
