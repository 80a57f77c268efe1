package org.morphotera.training.simulate;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.SoilProperty;

/**
 * A made-up soil with known constraints, from mechanisms and not from evidence tables: a layer at some depth drives
 * probe, roots, pores and the contrast of infiltration; sodium drives dispersion, crust and sealing, and salt hides
 * its cloud; sourness drives nodules and worms; wetness drives mottles, smell and roots. Each soil also varies by
 * itself.
 */
public final class SimulatedSoil implements MadeUpSoil {

    private static final double LEAST_SEVERITY = 0.35;

    /** What a soil may be short of, whatever else is the matter with it. */
    private static final Set<Constraint> NUTRIENTS = EnumSet.of(
            Constraint.SHORT_NITROGEN,
            Constraint.SHORT_PHOSPHORUS,
            Constraint.SHORT_POTASSIUM,
            Constraint.SHORT_MAGNESIUM);

    private static final double SHORT_OF = 0.05;

    private final LandUse landUse;
    private final TextureClass texture;
    private final Map<Constraint, Double> severity = new EnumMap<>(Constraint.class);

    double ph = 6.5;
    double deepPh = 6.6;
    double caco3Pct;
    double ece = 0.7;
    double esp = 2;
    double cec = 16;
    double cloud = 0.04;
    double deepCloud = 0.06;
    double glue = 0.66;
    double organicPct = 3.6;
    double paler = 0.35;
    double infiltration = 45;
    double infiltrationAt200;
    double drainage = 32;
    double panDepthMm;
    double structure = 2.1;
    double porosity = 1.5;
    double mottledPct = 3;
    double greyPct;
    double smell = 1.6;
    double worms = 8;
    double co2 = 42;
    double rootShare = 0.8;
    double coverPct = 82;
    double slopePct = 2;
    double vigour = 1.4;
    double kitNitrogen = 2.2;
    double phosphorus = SoilProperty.P.usual();
    double potassium = SoilProperty.K.usual();
    double magnesium = SoilProperty.MG.usual();
    int rills;
    int crust;
    boolean carbonAdded;

    private SimulatedSoil(LandUse landUse, TextureClass texture) {
        this.landUse = landUse;
        this.texture = texture;
    }

    /** A soil with no, one or two constraints. */
    public static SimulatedSoil draw(Random random) {
        LandUse[] uses = {LandUse.ARABLE, LandUse.ARABLE, LandUse.PASTURE, LandUse.ORCHARD, LandUse.VEGETABLE};
        TextureClass[] textures = TextureClass.values();
        SimulatedSoil soil =
                new SimulatedSoil(uses[random.nextInt(uses.length)], textures[random.nextInt(textures.length)]);
        int count = new int[] {0, 1, 1, 1, 2, 2}[random.nextInt(6)];
        soil.limitBy(count, LEAST_SEVERITY, random);
        for (Constraint nutrient : NUTRIENTS) {
            if (random.nextDouble() < SHORT_OF && soil.allows(nutrient)) {
                soil.severity.put(nutrient, LEAST_SEVERITY + (1 - LEAST_SEVERITY) * random.nextDouble());
            }
        }
        return soil.made(random);
    }

    /**
     * A soil with so many constraints.
     *
     * @param count as far as they go together
     * @param leastSeverity of each, up to 1
     */
    public static SimulatedSoil draw(
            LandUse landUse, TextureClass texture, int count, double leastSeverity, Random random) {
        SimulatedSoil soil = new SimulatedSoil(landUse, texture);
        soil.limitBy(count, leastSeverity, random);
        return soil.made(random);
    }

    /**
     * A soil with these constraints; those that don't go together with what came before, or with the texture, are left
     * out.
     *
     * @param severities each from 0.35 to 1, in the order in which they are tried
     */
    public static SimulatedSoil with(
            LandUse landUse, TextureClass texture, Map<Constraint, Double> severities, Random random) {
        SimulatedSoil soil = new SimulatedSoil(landUse, texture);
        severities.forEach((constraint, severity) -> {
            if (soil.allows(constraint)) {
                soil.severity.put(constraint, severity);
            }
        });
        return soil.made(random);
    }

    private void limitBy(int count, double least, Random random) {
        List<Constraint> possible = new ArrayList<>(List.of(Constraint.values()));
        possible.removeAll(NUTRIENTS);
        while (severity.size() < count && !possible.isEmpty()) {
            Constraint next = possible.remove(random.nextInt(possible.size()));
            if (allows(next)) {
                severity.put(next, least + (1 - least) * random.nextDouble());
            }
        }
    }

    private SimulatedSoil made(Random random) {
        vary(random);
        severity.forEach((constraint, s) -> apply(constraint, s, random));
        settle(random);
        return this;
    }

    @Override
    public LandUse landUse() {
        return landUse;
    }

    @Override
    public TextureClass texture() {
        return texture;
    }

    @Override
    public String crop() {
        return "cereal";
    }

    @Override
    public boolean dry() {
        return false;
    }

    @Override
    public double get(SoilProperty property) {
        return switch (property) {
            case COVER -> coverPct;
            case VIGOUR -> vigour;
            case PAN_DEPTH -> panDepthMm;
            case INFILTRATION -> infiltration;
            case INFILTRATION_AT_200 -> infiltrationAt200;
            case DRAINAGE -> drainage;
            case STRUCTURE -> structure;
            case POROSITY -> porosity;
            case SMELL -> smell;
            case MOTTLED -> mottledPct;
            case GREY -> greyPct;
            case PALER -> paler;
            case WORMS -> worms;
            case ROOTS -> rootShare;
            case GLUE -> glue;
            case CLOUD -> cloud;
            case DEEP_CLOUD -> deepCloud;
            case PH -> ph;
            case DEEP_PH -> deepPh;
            case FIZZ -> caco3Pct;
            case ECE -> ece;
            case ESP -> esp;
            case CEC -> cec;
            case ORGANIC -> organicPct;
            case CO2 -> co2;
            case N -> kitNitrogen;
            case SLOPE -> slopePct;
            case RILLS -> rills;
            case CRUST -> crust;
            case OVERLOOKED -> 1;
            case P -> phosphorus;
            case K -> potassium;
            case MG -> magnesium;
            case STRENGTH, SURFACE_GROUPS, BIOMASS, TEMPERATURE -> property.usual();
        };
    }

    /** Whether straw or wood was dug in last autumn. */
    public boolean carbonAdded() {
        return carbonAdded;
    }

    /** What is really there, with its severity from 0.35 to 1. */
    public Map<Constraint, Double> truth() {
        return severity;
    }

    private boolean allows(Constraint next) {
        boolean coarse = texture.group() == TextureGroup.COARSE;
        return switch (next) {
            case ACIDITY, SUBSURFACE_ACIDITY -> !has(Constraint.FREE_LIME) && !has(Constraint.SODICITY);
            case FREE_LIME -> !has(Constraint.ACIDITY) && !has(Constraint.SUBSURFACE_ACIDITY);
            case SODICITY -> !coarse && !has(Constraint.ACIDITY) && !has(Constraint.SUBSURFACE_ACIDITY);
            case OVER_RAPID_DRAINAGE -> coarse && !has(Constraint.WATERLOGGING);
            case WATERLOGGING -> !has(Constraint.OVER_RAPID_DRAINAGE);
            case NITROGEN_LOCKED_UP -> !has(Constraint.NITROGEN_MASKING) && !has(Constraint.SHORT_NITROGEN);
            case NITROGEN_MASKING -> !has(Constraint.NITROGEN_LOCKED_UP) && !has(Constraint.SHORT_NITROGEN);
            case SHORT_NITROGEN -> !has(Constraint.NITROGEN_LOCKED_UP) && !has(Constraint.NITROGEN_MASKING);
            default -> true;
        };
    }

    private boolean has(Constraint constraint) {
        return severity.containsKey(constraint);
    }

    /** How soils differ without any constraint. */
    private void vary(Random random) {
        boolean pasture = landUse == LandUse.PASTURE;
        double coarse = texture.group() == TextureGroup.COARSE ? 1 : 0;
        double fine = texture.group() == TextureGroup.FINE ? 1 : 0;
        ph = 6.5 - (pasture ? 0.2 : 0) + 0.3 * random.nextGaussian();
        deepPh = ph + 0.2 + 0.25 * random.nextGaussian();
        infiltration *= Math.exp(0.35 * random.nextGaussian() + 0.5 * coarse - 0.4 * fine);
        infiltrationAt200 = infiltration * Math.exp(-0.25 + 0.2 * random.nextGaussian());
        drainage *= Math.exp(0.3 * random.nextGaussian() + 0.4 * coarse - 0.35 * fine);
        glue += 0.08 * random.nextGaussian() + (pasture ? 0.08 : 0);
        organicPct = (pasture ? 6 : 3.7) * Math.exp(0.12 * random.nextGaussian() - 0.35 * coarse + 0.2 * fine);
        paler += 0.2 * random.nextGaussian() - (pasture ? 0.2 : 0);
        worms = Math.max(2, worms + 2 * random.nextGaussian() - 1.5 * coarse + fine + (pasture ? 1.5 : 0));
        co2 = Math.max(12, co2 + 8 * random.nextGaussian());
        structure += 0.25 * random.nextGaussian() + 0.2 * fine;
        smell += 0.15 * random.nextGaussian();
        coverPct = Math.min(99, (pasture ? 92 : 80) + 7 * random.nextGaussian());
        slopePct = Math.max(0, 2.5 + 2 * random.nextGaussian());
        vigour += 0.15 * random.nextGaussian();
        kitNitrogen += 0.35 * random.nextGaussian();
        phosphorus += 0.4 * random.nextGaussian();
        potassium += 0.4 * random.nextGaussian();
        magnesium += 0.4 * random.nextGaussian();
        carbonAdded = random.nextInt(14) == 0;
        mottledPct = Math.max(0, mottledPct + 1.5 * random.nextGaussian());
    }

    private void apply(Constraint constraint, double s, Random random) {
        switch (constraint) {
            case ACIDITY -> {
                ph = 5.55 - 0.9 * s + 0.1 * random.nextGaussian();
                deepPh = Math.min(deepPh, ph + 0.4 + 0.3 * random.nextDouble());
                worms *= 1 - 0.5 * s;
                vigour -= 0.5 * s;
            }
            case SUBSURFACE_ACIDITY -> {
                deepPh = 5.45 - 0.7 * s + 0.1 * random.nextGaussian();
                rootShare *= 1 - 0.35 * s;
            }
            case FREE_LIME -> {
                caco3Pct = 2.5 + 26 * s * random.nextDouble();
                ph = 7.7 + 0.3 * s + 0.1 * random.nextGaussian();
                deepPh = ph + 0.1;
                vigour -= 0.2 * s;
            }
            case SALINITY -> {
                ece = 4.6 + 11 * s * random.nextDouble() + 2 * s;
                crust = random.nextDouble() < 0.65 * s + 0.2 ? 1 + random.nextInt(2) : 0;
                rootShare *= 1 - 0.3 * s;
                vigour -= 0.5 * s;
            }
            case SODICITY -> {
                esp = 7.5 + 14 * s;
                cloud = 0.42 + 0.42 * s;
                deepCloud = 0.5 + 0.4 * s;
                ph += 0.5 + 0.9 * s;
                deepPh += 0.7 + 0.9 * s;
                infiltration *= 1 - 0.75 * s;
                crust = Math.max(crust, random.nextDouble() < 0.4 * s ? 1 : 0);
                structure += 0.7 * s;
            }
            case COMPACTION_LAYER -> {
                panDepthMm = 150 + 170 * random.nextDouble();
                infiltrationAt200 = infiltration * (0.33 - 0.25 * s);
                structure += 0.5 + 0.9 * s;
                porosity -= 0.4 + 0.6 * s;
                rootShare *= 1 - 0.5 * s;
                drainage *= 1 - 0.4 * s;
            }
            case WEAK_AGGREGATION -> {
                glue -= 0.16 + 0.24 * s;
                organicPct *= 0.75 - 0.3 * s;
                paler += 0.5 + 0.8 * s;
                infiltration *= 1 - 0.4 * s;
            }
            case WATERLOGGING -> {
                mottledPct += 14 + 26 * s;
                greyPct = 3 + 22 * s;
                smell -= 0.4 + 0.9 * s;
                drainage = Math.min(drainage, 8 - 5 * s);
                rootShare *= 1 - 0.4 * s;
                worms *= 1 - 0.2 * s;
            }
            case OVER_RAPID_DRAINAGE -> {
                drainage = 360 + 340 * s;
                infiltration = 250 + 240 * s;
                infiltrationAt200 = infiltration * 0.85;
                kitNitrogen -= 0.5 * s;
            }
            case LOW_BIOLOGY -> {
                worms *= 0.45 - 0.3 * s;
                co2 *= 0.55 - 0.25 * s;
                smell -= 0.4 * s;
            }
            case SHORT_NITROGEN -> {
                kitNitrogen = 1.1 - 0.8 * s;
                carbonAdded = false;
                vigour -= 0.4 * s;
            }
            case SHORT_PHOSPHORUS -> {
                phosphorus = 1.1 - 0.7 * s;
                vigour -= 0.3 * s;
            }
            case SHORT_POTASSIUM -> {
                potassium = 1.1 - 0.7 * s;
                vigour -= 0.3 * s;
            }
            case SHORT_MAGNESIUM -> {
                magnesium = 0.9 - 0.6 * s;
                vigour -= 0.2 * s;
            }
            case NITROGEN_LOCKED_UP -> {
                kitNitrogen = 1.2 - 0.9 * s;
                carbonAdded = true;
                vigour -= 0.3 * s;
            }
            case NITROGEN_MASKING -> {
                kitNitrogen = 3.4 + 0.6 * s;
                vigour = 1.7 + 0.3 * s;
                glue -= 0.06;
                structure += 0.4 * s;
                worms *= 1 - 0.25 * s;
            }
            case EROSION_RISK -> {
                coverPct = 62 - 26 * s;
                slopePct = 4 + 8 * s;
                rills = random.nextDouble() < 0.4 + 0.55 * s ? 1 + random.nextInt(2) : 0;
            }
        }
    }

    /** What one constraint does to the signs of another, and the bounds of nature. */
    private void settle(Random random) {
        // salt holds clay together: a saline sodic soil shows a fainter cloud until it is leached
        cloud *= 1 / (1 + Math.max(0, ece - 4) / 9);
        glue = Math.max(0.15, Math.min(0.98, glue));
        organicPct = Math.max(0.6, organicPct);
        infiltration = Math.max(0.8, infiltration);
        infiltrationAt200 = Math.max(0.4, Math.min(infiltrationAt200, infiltration * 1.2));
        drainage = Math.max(0.8, drainage);
        structure = Math.max(1, Math.min(5, structure));
        porosity = Math.max(0, porosity);
        smell = Math.max(0, Math.min(2, smell));
        worms = Math.max(0.2, worms);
        coverPct = Math.max(5, coverPct);
        vigour = Math.max(0, Math.min(2, vigour));
        kitNitrogen = Math.max(0, Math.min(4, kitNitrogen));
        paler = Math.max(-0.5, paler + 0.05 * random.nextGaussian());
    }
}
