package org.morphotera.core.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.ParsedFields;
import org.morphotera.core.reading.Range;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Purpose;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.core.soil.Unit;

/**
 * What is known of the place and the moment, apart from the readings. All of it may be {@code null}.
 *
 * @param depthTopMm top of the sampled layer, mm
 * @param depthBottomMm bottom of the sampled layer, mm
 * @param coverPct ground cover at the stop, %
 */
public record Context(
        TextureClass textureClass,
        LandUse landUse,
        String crop,
        SoilMoisture soilMoisture,
        Integer daysSinceRain,
        Season season,
        Double soilTempC,
        Double depthTopMm,
        Double depthBottomMm,
        Purpose purpose,
        Boolean biocharWithin6Months,
        Boolean carbonAddedLastAutumn,
        Double coverPct) {

    private static final int LONGEST_CROP = 60;

    static Context read(Fields fields) {
        return new Context(
                fields.word("textureClass", List.of(TextureClass.values()), Need.OPTIONAL),
                fields.word("landUse", List.of(LandUse.values()), Need.OPTIONAL),
                fields.text("crop", LONGEST_CROP, Need.OPTIONAL),
                fields.word("soilMoisture", List.of(SoilMoisture.values()), Need.OPTIONAL),
                fields.count("daysSinceRain", Range.COUNT, Need.OPTIONAL),
                fields.word("season", List.of(Season.values()), Need.OPTIONAL),
                fields.number("soilTempC", Unit.CELSIUS, Range.TEMPERATURE_C, Need.OPTIONAL),
                fields.number("depthTopMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                fields.number("depthBottomMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                fields.word("purpose", List.of(Purpose.values()), Need.OPTIONAL),
                fields.flag("biocharWithin6Months", Need.OPTIONAL),
                fields.flag("carbonAddedLastAutumn", Need.OPTIONAL),
                fields.number("coverPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL));
    }

    /**
     * Reads a context by itself.
     *
     * @param tree a plain tree; {@code null} for nothing known
     * @param faults gathers what is wrong, with paths that start with {@code context.}
     * @return the context, of use only while {@code faults} is empty
     */
    public static Context parse(Object tree, Faults faults) {
        ParsedFields.Parsed<Context> parsed =
                ParsedFields.read("context.", tree == null ? Map.of() : tree, Context::read, faults);
        if (parsed.sound()) {
            check(parsed.value(), faults);
        }
        return parsed.value();
    }

    private static void check(Context context, Faults faults) {
        if (context.depthTopMm() != null
                && context.depthBottomMm() != null
                && context.depthBottomMm() < context.depthTopMm()) {
            faults.add("context.depthBottomMm", "DEPTH_UPSIDE_DOWN");
        }
    }

    /** The texture group, or {@code null} when the texture is not known. */
    public TextureGroup textureGroup() {
        return textureClass == null ? null : textureClass.group();
    }
}
