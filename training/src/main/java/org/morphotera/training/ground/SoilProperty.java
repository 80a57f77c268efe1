package org.morphotera.training.ground;

import org.morphotera.core.soil.Coded;

/** What a made-up soil is, as figures; {@link #usual()} is a fair loam. */
public enum SoilProperty implements Coded {
    /** Ground cover, %. */
    COVER(78),
    /** Vigour of what grows, 0 to 2. */
    VIGOUR(1.4),
    /** Groups of surface life in a quadrat. */
    SURFACE_GROUPS(4),
    /** Top of a hard layer, mm; 0 for none. */
    PAN_DEPTH(0),
    /** Penetration resistance at the bottom of the probe's way in moist soil, kPa, without the layer. */
    STRENGTH(1300),
    /** Lasting infiltration at the surface, mm/h. */
    INFILTRATION(42),
    /** Lasting infiltration at 200 mm, mm/h. */
    INFILTRATION_AT_200(26),
    /** Lasting fall in a drainage hole, mm/h. */
    DRAINAGE(34),
    /** Spade score, 1 (best) to 5. */
    STRUCTURE(2.3),
    /** Score of pores, 0 to 2. */
    POROSITY(1.4),
    /** Score of smell, 0 to 2. */
    SMELL(1.5),
    /** Mottled share of the face, %, the grey included. */
    MOTTLED(3),
    /** Grey share of the face, %. */
    GREY(0),
    /** How much paler than its reference, in steps of value. */
    PALER(0.6),
    /** Worms in a block of 200 by 200 mm. */
    WORMS(7.5),
    /** Depth of most roots as a share of what the crop should reach. */
    ROOTS(0.72),
    /** How well crumbs are glued, 0 to 1. */
    GLUE(0.62),
    /** How much clay drifts off in water, topsoil, 0 to 1. */
    CLOUD(0.05),
    /** How much clay drifts off in water, subsoil, 0 to 1. */
    DEEP_CLOUD(0.05),
    /** pH in water, topsoil. */
    PH(6.5),
    /** pH in water, subsoil. */
    DEEP_PH(6.6),
    /** Calcium carbonate, %. */
    FIZZ(0),
    /** Conductivity of the saturated extract, dS/m. */
    ECE(0.8),
    /** Exchangeable sodium, % of the exchange capacity. */
    ESP(2),
    /** Cation exchange capacity, cmol/kg. */
    CEC(16),
    /** Organic matter, %. */
    ORGANIC(3.4),
    /** Breath at 21 °C, mg of carbon dioxide carbon per kg and day. */
    CO2(34),
    /** Microbial biomass, µg of carbon per g. */
    BIOMASS(320),
    /** Nitrogen, kit step 0 to 4. */
    N(2),
    /** Phosphorus, kit step 0 to 4. */
    P(2.5),
    /** Potassium, kit step 0 to 4. */
    K(2.5),
    /** Magnesium, in the same steps. */
    MG(2.5),
    /** Slope, %. */
    SLOPE(1),
    /** Rills seen: 0 none, 1 some, 2 many. */
    RILLS(0),
    /** White crust seen: 0 none, 1 some, 2 many. */
    CRUST(0),
    /** Soil temperature, °C. */
    TEMPERATURE(10),
    /** 1 where the one who digs may overlook or misjudge what stops the roots, 0 where not. */
    OVERLOOKED(0);

    private final double usual;

    SoilProperty(double usual) {
        this.usual = usual;
    }

    /** The figure of a fair loam. */
    public double usual() {
        return usual;
    }
}
