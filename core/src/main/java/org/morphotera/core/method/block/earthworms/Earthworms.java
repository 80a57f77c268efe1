package org.morphotera.core.method.block.earthworms;

import java.util.List;
import java.util.Map;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.method.Capture;
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
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.statistics.Sample;

/**
 * Earthworms counted in dug blocks. The interval of the density is the exact Poisson interval of the total (Garwood,
 * 1936); worms clump, so between blocks they scatter more than that.
 */
public final class Earthworms implements FieldMethod<Earthworms.Readings> {

    /**
     * One dug block and what was sorted out of it by hand.
     *
     * @param lengthMm over 0, to 5000 mm, as the width and the depth are
     * @param adults with a saddle, 0..10 000
     * @param juveniles without one, 0..10 000
     * @param surfaceDwellers of them all, where kinds were told apart
     * @param deepBurrowers of them all, where kinds were told apart
     */
    public record Block(
            Double lengthMm,
            Double widthMm,
            Double depthMm,
            Integer adults,
            Integer juveniles,
            Integer surfaceDwellers,
            Integer deepBurrowers) {

        int worms() {
            return adults + juveniles;
        }

        double areaM2() {
            return lengthMm * widthMm / 1e6;
        }
    }

    /** @param blocks at least one */
    public record Readings(List<Block> blocks) {}

    private static final double BLOCK_200_M2 = 0.04;
    static final int FEWEST_BLOCKS = 3;
    private static final int BREEDING_JUDGED_FROM = 10;
    private static final double GARDEN_WANTS = 10;
    private static final double COLDEST_C = 5;
    private static final double WARMEST_C = 20;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("earthworms", "per200BlockScattered"));
        return new MethodCard("earthworms", Family.BLOCK, rates, null, 15, 0, 200, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        Range side = Range.above(0, 5000);
        return new Readings(fields.list(
                "blocks",
                Range.LIST,
                Need.REQUIRED,
                block -> new Block(
                        block.number("lengthMm", Unit.MM, side, Need.REQUIRED),
                        block.number("widthMm", Unit.MM, side, Need.REQUIRED),
                        block.number("depthMm", Unit.MM, side, Need.REQUIRED),
                        block.count("adults", Range.COUNT, Need.REQUIRED),
                        block.count("juveniles", Range.COUNT, Need.REQUIRED),
                        block.count("surfaceDwellers", Range.COUNT, Need.OPTIONAL),
                        block.count("deepBurrowers", Range.COUNT, Need.OPTIONAL))));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        for (int i = 0; i < readings.blocks().size(); i++) {
            Block block = readings.blocks().get(i);
            int sorted = or0(block.surfaceDwellers()) + or0(block.deepBurrowers());
            if (sorted > block.worms()) {
                faults.add(
                        "blocks[" + i + "].surfaceDwellers", "MORE_KINDS_THAN_WORMS", Map.of("worms", block.worms()));
            }
        }
    }

    private static int or0(Integer count) {
        return count == null ? 0 : count;
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        int worms = readings.blocks().stream().mapToInt(Block::worms).sum();
        int juveniles = readings.blocks().stream().mapToInt(Block::juveniles).sum();
        double area = readings.blocks().stream().mapToDouble(Block::areaM2).sum();
        int n = readings.blocks().size();
        double low = worms == 0 ? 0 : chiSquared(2.0 * worms, 0.025) / 2 / area;
        double high = chiSquared(2.0 * worms + 2, 0.975) / 2 / area;
        double density = worms / area;
        double perBlock = (double) worms / n;
        // worms clump: what is held against other places and dates takes the larger of the two uncertainties
        double clumped = halfWidthBetweenBlocks(readings.blocks());
        double lowest = Math.max(0, Math.min(low, density - clumped));
        double highest = Math.max(high, density + clumped);
        Evaluation.Builder out = Evaluation.of("earthworms")
                .value("perBlock", perBlock, Unit.NONE)
                .value("perM2", density, Unit.PER_SQUARE_METRE, low, high)
                .value("per200Block", density * BLOCK_200_M2, Unit.NONE, low * BLOCK_200_M2, high * BLOCK_200_M2)
                .value(
                        "per200BlockScattered",
                        density * BLOCK_200_M2,
                        Unit.NONE,
                        lowest * BLOCK_200_M2,
                        highest * BLOCK_200_M2)
                .working(
                        "perM2",
                        Map.of("worms", worms, "area", area),
                        density,
                        Unit.PER_SQUARE_METRE,
                        "Interval: Garwood, 1936");
        if (worms > 0) {
            out.value("juvenilePct", 100.0 * juveniles / worms, Unit.PERCENT);
        }
        if (context.landUse() == LandUse.VEGETABLE || context.landUse() == LandUse.LANDSCAPE) {
            out.code("garden", perBlock < GARDEN_WANTS ? "add-organic-matter" : "welcoming");
        }
        notes(n, worms, juveniles, context, out);
        TextureGroup group = context.textureGroup() == null ? TextureGroup.MEDIUM : context.textureGroup();
        Curve curve = benchmarks.curve("earthworms." + group.code());
        return out.curve("earthworms", curve, density * BLOCK_200_M2, lowest * BLOCK_200_M2, highest * BLOCK_200_M2)
                .build();
    }

    /** 95 % half-width of the density from the scatter between blocks; 0 for a single block. */
    private static double halfWidthBetweenBlocks(List<Block> blocks) {
        return Sample.of(blocks.stream()
                        .map(block -> block.worms() / block.areaM2())
                        .toList())
                .halfWidth();
    }

    /** To six digits: the quantile is found by iteration, whose last digits differ between a JVM and a page. */
    private static double chiSquared(double degrees, double probability) {
        return Numbers.significant(ChiSquaredDistribution.of(degrees).inverseCumulativeProbability(probability), 6);
    }

    private static void notes(int blocks, int worms, int juveniles, Context context, Evaluation.Builder out) {
        Double temp = context.soilTempC();
        boolean badTemp = temp != null && (temp < COLDEST_C || temp > WARMEST_C);
        boolean badSeason = context.season() == Season.SUMMER || context.season() == Season.WINTER;
        if (context.soilMoisture() == SoilMoisture.DRY || badTemp || badSeason) {
            out.note("UNDERCOUNT_LIKELY", Severity.CAUTION);
        }
        if (blocks < FEWEST_BLOCKS) {
            out.note("FEW_BLOCKS", Severity.CAUTION, Map.of("n", blocks));
        }
        if (juveniles == 0 && worms >= BREEDING_JUDGED_FROM) {
            out.note("NOT_BREEDING", Severity.CAUTION);
        }
    }

    @Override
    public Evidence<Readings> evidence() {
        return new EarthwormsEvidence();
    }

    @Override
    public Capture capture() {
        return new EarthwormsCapture();
    }
}
