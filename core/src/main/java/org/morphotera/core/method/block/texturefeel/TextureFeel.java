package org.morphotera.core.method.block.texturefeel;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
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
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.core.soil.Unit;

/**
 * Texture by feel, with two keys: the ribbon (after Thien, 1979) and the pressed ball. Gives the class and the
 * typical composition of that class; it rates nothing, but other methods' benchmarks depend on it.
 */
public final class TextureFeel implements FieldMethod<TextureFeel.Readings> {

    /** Which decision path was followed. */
    public enum Key implements Coded {
        RIBBON,
        PRESSED_BALL
    }

    /** What the fingers say. The ribbon key asks for the first two and neither, the pressed ball for the others. */
    public enum Feel implements Coded {
        GRITTY,
        SMOOTH,
        NEITHER,
        SILKY,
        STICKY,
        MIXED
    }

    /** How well a moist handful holds when pressed. */
    public enum Ball implements Coded {
        NONE,
        WEAK,
        FIRM
    }

    /** Cracks at the rim of the pressed ball. */
    public enum Cracks implements Coded {
        MANY,
        SOME,
        NONE
    }

    private static final List<Feel> RIBBON_FEELS = List.of(Feel.GRITTY, Feel.SMOOTH, Feel.NEITHER);
    private static final List<Feel> BALL_FEELS = List.of(Feel.GRITTY, Feel.SILKY, Feel.STICKY, Feel.MIXED);
    private static final double SHORT_RIBBON_MM = 25;
    private static final double LONG_RIBBON_MM = 50;

    /**
     * @param ribbonWithoutBall a ribbon claimed where no ball formed: a contradiction
     * @param ribbonMm length at which the ribbon breaks under its own weight, mm
     * @param darkOrganic the soil is dark with organic matter, which binds sand
     */
    public record Readings(
            Key key,
            Boolean formsBall,
            Boolean formsRibbon,
            Boolean ribbonWithoutBall,
            Double ribbonMm,
            Feel ribbonFeel,
            Ball ball,
            Cracks cracks,
            Feel ballFeel,
            Boolean darkOrganic) {}

    @Override
    public MethodCard card() {
        return new MethodCard("texture-feel", Family.BLOCK, List.of(), "textureClass", 3, 0, 200, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        Need ribbon = Need.when("key", Key.RIBBON).andTrue("formsBall").andTrue("formsRibbon");
        Need pressed = Need.when("key", Key.PRESSED_BALL);
        return new Readings(
                fields.word("key", List.of(Key.values()), Need.REQUIRED),
                fields.flag("formsBall", Need.when("key", Key.RIBBON)),
                fields.flag("formsRibbon", Need.when("key", Key.RIBBON).andTrue("formsBall")),
                fields.flag("formsRibbon", Need.optionalWhen("key", Key.RIBBON).andFalse("formsBall")),
                fields.number("ribbonMm", Unit.MM, Range.between(0, 500), ribbon),
                fields.word("feel", RIBBON_FEELS, ribbon),
                fields.word("ball", List.of(Ball.values()), pressed),
                fields.word("cracks", List.of(Cracks.values()), pressed.and("ball", Ball.FIRM)),
                fields.word("feel", BALL_FEELS, pressed.and("ball", Ball.WEAK, Ball.FIRM)),
                fields.flag("darkOrganic", Need.OPTIONAL));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        if (Boolean.TRUE.equals(readings.ribbonWithoutBall())) {
            faults.add("formsRibbon", "RIBBON_WITHOUT_BALL");
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        TextureClass texture = readings.key() == Key.RIBBON ? byRibbon(readings) : byPressedBall(readings);
        Table typical = benchmarks.table("texture.typical");
        String row = texture.code();
        Evaluation.Builder out = Evaluation.of("texture-feel")
                .value("sandPct", typical.at(row, "sandPct"), Unit.PERCENT)
                .value("siltPct", typical.at(row, "siltPct"), Unit.PERCENT)
                .value("clayPct", typical.at(row, "clayPct"), Unit.PERCENT)
                .code("textureClass", texture)
                .code("textureGroup", texture.group());
        if (Boolean.TRUE.equals(readings.darkOrganic()) && texture.group() == TextureGroup.COARSE) {
            out.note("ORGANIC_MATTER_BINDS", Severity.INFO, Map.of("class", row));
        }
        out.note("FEEL_IS_A_CLASS", Severity.INFO, Map.of("class", row));
        return out.working("clayPct", Map.of("class", row), typical.at(row, "clayPct"), Unit.PERCENT, typical.source())
                .build();
    }

    private static TextureClass byRibbon(Readings readings) {
        if (!readings.formsBall()) {
            return TextureClass.SAND;
        }
        if (!readings.formsRibbon()) {
            return TextureClass.LOAMY_SAND;
        }
        if (readings.ribbonMm() < SHORT_RIBBON_MM) {
            return byFeel(readings.ribbonFeel(), TextureClass.SANDY_LOAM, TextureClass.SILT_LOAM, TextureClass.LOAM);
        }
        if (readings.ribbonMm() <= LONG_RIBBON_MM) {
            return byFeel(
                    readings.ribbonFeel(),
                    TextureClass.SANDY_CLAY_LOAM,
                    TextureClass.SILTY_CLAY_LOAM,
                    TextureClass.CLAY_LOAM);
        }
        return byFeel(readings.ribbonFeel(), TextureClass.SANDY_CLAY, TextureClass.SILTY_CLAY, TextureClass.CLAY);
    }

    private static TextureClass byPressedBall(Readings readings) {
        if (readings.ball() == Ball.NONE) {
            return TextureClass.SAND;
        }
        if (readings.ball() == Ball.WEAK) {
            return readings.ballFeel() == Feel.GRITTY ? TextureClass.LOAMY_SAND : TextureClass.SANDY_LOAM;
        }
        return switch (readings.cracks()) {
            case MANY ->
                byFeel(readings.ballFeel(), TextureClass.SANDY_LOAM, TextureClass.SILT_LOAM, TextureClass.LOAM);
            case SOME ->
                readings.ballFeel() == Feel.STICKY
                        ? TextureClass.SILTY_CLAY
                        : byFeel(
                                readings.ballFeel(),
                                TextureClass.SANDY_CLAY_LOAM,
                                TextureClass.SILTY_CLAY_LOAM,
                                TextureClass.CLAY_LOAM);
            case NONE ->
                byFeel(readings.ballFeel(), TextureClass.SANDY_CLAY, TextureClass.SILTY_CLAY, TextureClass.CLAY);
        };
    }

    private static TextureClass byFeel(
            Feel feel, TextureClass gritty, TextureClass smoothOrSilky, TextureClass otherwise) {
        return switch (feel) {
            case GRITTY -> gritty;
            case SMOOTH, SILKY -> smoothOrSilky;
            case NEITHER, STICKY, MIXED -> otherwise;
        };
    }

    @Override
    public Evidence<Readings> evidence() {
        return new TextureFeelEvidence();
    }

    @Override
    public Capture capture() {
        return new TextureFeelCapture();
    }
}
