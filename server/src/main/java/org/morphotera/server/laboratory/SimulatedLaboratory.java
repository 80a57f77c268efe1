package org.morphotera.server.laboratory;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.laboratory.LabTest;
import org.morphotera.core.soil.Coded;
import org.morphotera.server.indicators.FieldIndicators;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.training.simulate.HiddenSoil;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * A laboratory that finds the hidden soil of each field, which agrees with what was read there before, and writes its
 * file in a form of its own: other names, other units, semicolons.
 */
@Component
class SimulatedLaboratory implements LaboratoryAnswers {

    /** A column of its file: its head, the analyte and how many of its units make one of ours. */
    private record Column(String head, String analyte, double times, int decimals) {}

    private static final List<Column> COLUMNS = List.of(
            new Column("Reaction (water)", "ph-water", 1, 1),
            new Column("Reaction (CaCl2)", "ph-cacl2", 1, 1),
            new Column("Lime to target [ton/ac]", "buffer-ph", 0.446089560873, 2),
            new Column("Humus [g/kg]", "organic-matter", 10, 0),
            new Column("P avail. [ppm]", "p", 1, 0),
            new Column("K avail. [ppm]", "k", 1, 0),
            new Column("S avail. [ppm]", "s", 1, 0),
            new Column("Exchange capacity [meq/100 g]", "cec", 1, 1),
            new Column("Ca exch. [meq/100 g]", "ex-ca", 1, 1),
            new Column("Mg exch. [meq/100 g]", "ex-mg", 1, 1),
            new Column("K exch. [meq/100 g]", "ex-k", 1, 2),
            new Column("Na exch. [meq/100 g]", "ex-na", 1, 2),
            new Column("Sat. extract [mmhos/cm]", "ece", 1, 2),
            new Column("Nitrate-N [ppm]", "nitrate-n", 1, 0));

    private final FieldIndicators indicators;
    private final Duration delay;

    SimulatedLaboratory(FieldIndicators indicators, @Value("${morphotera.simulated-laboratory-delay}") Duration delay) {
        this.indicators = indicators;
        this.delay = delay;
    }

    @Override
    public Instant readyAt(Instant sentAt) {
        return sentAt.plus(delay);
    }

    @Override
    public String file(UUID practice, List<LaboratoryMapper.BagRow> bags, boolean faulty) {
        List<String> wanted = bags.stream()
                .flatMap(bag -> List.of(bag.tests().split(",")).stream())
                .flatMap(test -> Coded.find(LabTest.values(), test).analytes().stream())
                .distinct()
                .toList();
        List<Column> columns = COLUMNS.stream()
                .filter(column -> wanted.contains(column.analyte()))
                .toList();
        StringBuilder file = new StringBuilder("Lab no.;Your mark");
        columns.forEach(column -> file.append(';').append(column.head()));
        file.append("\r\n");
        int number = 41_200;
        for (LaboratoryMapper.BagRow bag : bags) {
            Map<String, Double> found = found(practice, bag);
            List<String> asked = List.of(bag.tests().split(",")).stream()
                    .flatMap(test -> Coded.find(LabTest.values(), test).analytes().stream())
                    .toList();
            List<String> cells = new ArrayList<>();
            for (Column column : columns) {
                Double figure = asked.contains(column.analyte()) ? found.get(column.analyte()) : null;
                cells.add(
                        figure == null
                                ? ""
                                : String.format(
                                        java.util.Locale.ROOT,
                                        "%." + column.decimals() + "f",
                                        figure * column.times()));
            }
            file.append(++number).append(';').append(bag.code()).append(';');
            file.append(String.join(";", cells)).append("\r\n");
        }
        if (faulty) {
            String cells = ";".repeat(Math.max(0, columns.size() - 1));
            file.append(++number).append(";QQQQQQ;").append(cells).append("\r\n");
            file.append(++number)
                    .append(';')
                    .append(bags.get(0).code())
                    .append(";n.d.")
                    .append(cells)
                    .append("\r\n");
        }
        return file.toString();
    }

    private Map<String, Double> found(UUID practice, LaboratoryMapper.BagRow bag) {
        List<IndicatorRow> known = indicators.ofField(practice, bag.fieldId());
        HiddenSoil soil = new HiddenSoil(bag.fieldId().getLeastSignificantBits());
        double middle = (bag.depthTopMm() + bag.depthBottomMm()) / 2;
        return new LinkedHashMap<>(
                soil.analysis(middle < 150 ? 0 : middle, figure(known, "ph"), figure(known, "salinity")));
    }

    private static Double figure(List<IndicatorRow> rows, String indicator) {
        return rows.stream()
                .filter(row -> row.indicator().equals(indicator) && row.figure() != null)
                .map(IndicatorRow::figure)
                .findFirst()
                .orElse(null);
    }
}
