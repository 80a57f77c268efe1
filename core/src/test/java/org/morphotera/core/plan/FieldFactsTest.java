package org.morphotera.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.morphotera.core.plan.FieldReadings.Reading;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.TextureGroup;

class FieldFactsTest {

    private static Reading felt(String texture) {
        return new Reading(
                FieldReadings.TEXTURE, "texture-feel", null, texture, null, null, null, null, Source.METER, null);
    }

    private static Reading read(String indicator, String method, double standing, Double figure) {
        return new Reading(indicator, method, null, null, standing, figure, null, null, Source.METER, null);
    }

    private static Reading ph(Source source, double ph, double half) {
        return ph(source, ph, half, new DepthLayer(0, 150));
    }

    private static Reading ph(Source source, double ph, double half, DepthLayer layer) {
        return new Reading("ph", "ph", null, null, 0.5, ph, ph - half, ph + half, source, layer);
    }

    private static FieldFacts.Place place(LandUse use, Double areaHa, SoilMoisture moisture) {
        return new FieldFacts.Place(use, "clay", "barley", areaHa, null, false, moisture);
    }

    private static FieldFacts facts(Reading... readings) {
        return FieldFacts.of(
                place(LandUse.ARABLE, 12.0, SoilMoisture.MOIST),
                new FieldReadings(List.of(readings)),
                null,
                null,
                null,
                null);
    }

    @Test
    void textureIsWhatMostStopsShow() {
        FieldReadings mostly = new FieldReadings(List.of(felt("clay-loam"), felt("loam"), felt("loam")));
        assertThat(mostly.texture("sand")).isEqualTo("loam");
        FieldReadings even = new FieldReadings(List.of(felt("sandy-loam"), felt("loam")));
        assertThat(even.texture("sand")).isEqualTo("loam");
        assertThat(new FieldReadings(List.of()).texture("sand")).isEqualTo("sand");
        assertThat(new FieldReadings(List.of()).texture(null)).isNull();
    }

    @Test
    void figuresAreMediansOverTheStops() {
        FieldFacts facts = facts(
                ph(Source.METER, 5.0, 0.1),
                ph(Source.METER, 5.6, 0.1),
                ph(Source.METER, 5.2, 0.1),
                ph(Source.METER, 7.9, 0.1, new DepthLayer(200, 300)),
                read("salinity", "salinity", 0.4, 3.0),
                read("salinity", "salinity", 0.4, 5.0));
        assertThat(facts.phWater()).isEqualTo(5.2);
        assertThat(facts.ph().halfWidth()).isCloseTo(0.1, within(1e-9));
        assertThat(facts.ph().source()).isEqualTo(Source.METER);
        assertThat(facts.ece()).isEqualTo(4.0);
        assertThat(facts.textureGroup()).isEqualTo(TextureGroup.FINE);
    }

    @Test
    void saltMayHideSodiumInAClayThatNobodyHasMeasured() {
        assertThat(facts(read("salinity", "salinity", 0.2, 4.0)).saltMayHideSodium())
                .isTrue();
        assertThat(facts(read("salinity", "salinity", 0.2, 3.9)).saltMayHideSodium())
                .isFalse();
        assertThat(facts(read("salinity", "salinity", 0.2, 8.0), read("sodicity", "lab-result", 0.9, 3.0))
                        .saltMayHideSodium())
                .isFalse();
        assertThat(facts(felt("sand"), read("salinity", "salinity", 0.2, 8.0)).saltMayHideSodium())
                .isFalse();
    }

    @Test
    void aHardLayerIsTakenToEndUnderWhereTheProbeMetIt() {
        assertThat(facts(read("compaction", "penetration", 0.3, 250.0)).layerBottomMm())
                .isEqualTo(330);
        assertThat(facts().layerBottomMm()).isNull();
    }

    @Test
    void crumbsDisperseWhereTheMiddleIsPoor() {
        assertThat(facts(read("dispersion", "crumb-stability", 0, null)).disperses())
                .isTrue();
        assertThat(facts(read("dispersion", "crumb-stability", 0.5, null)).disperses())
                .isFalse();
        assertThat(facts().disperses()).isFalse();
    }

    @Test
    void whatIsNotKnownOfThePlaceHasADefaultOrIsNull() {
        FieldFacts bare = FieldFacts.of(
                new FieldFacts.Place(null, null, null, null, null, true, null),
                new FieldReadings(List.of()),
                null,
                14.0,
                new FieldFacts.Permeability(20.0, null),
                null);
        assertThat(bare.areaHa()).isEqualTo(1);
        assertThat(bare.textureGroup()).isNull();
        assertThat(bare.wet()).isFalse();
        assertThat(bare.drained()).isTrue();
        assertThat(bare.cecCmolKg()).isEqualTo(14);
        assertThat(bare.permeability().hole()).isEqualTo(20);
    }

    @Test
    void bedsTurfAndSmallPlotsAreGardens() {
        FieldReadings none = new FieldReadings(List.of());
        assertThat(FieldFacts.of(place(LandUse.ARABLE, 12.0, null), none, null, null, null, null)
                        .garden())
                .isFalse();
        assertThat(FieldFacts.of(place(LandUse.ARABLE, 0.4, null), none, null, null, null, null)
                        .garden())
                .isTrue();
        assertThat(FieldFacts.of(place(LandUse.TURF, 12.0, null), none, null, null, null, null)
                        .garden())
                .isTrue();
        assertThat(FieldFacts.of(place(null, 12.0, null), none, null, null, null, null)
                        .garden())
                .isFalse();
    }

    @Test
    void aPatchIsTreatedByItsOwnAreaWhereItIsKnown() {
        assertThat(FieldFacts.Treated.patch(8, 40.0).areaHa()).isCloseTo(3.2, within(1e-9));
        assertThat(FieldFacts.Treated.patch(8, null).areaHa()).isNull();
        assertThat(facts().treated()).isEqualTo(new FieldFacts.Treated(12.0, false));
    }

    @Test
    void underHalfAHectareIsAGarden() {
        FieldReadings none = new FieldReadings(List.of());
        assertThat(FieldFacts.of(place(LandUse.ARABLE, 0.49, null), none, null, null, null, null)
                        .garden())
                .isTrue();
        assertThat(FieldFacts.of(place(LandUse.ARABLE, 0.5, null), none, null, null, null, null)
                        .garden())
                .isFalse();
    }

    @Test
    void saltHidesSodiumFromFourOn() {
        assertThat(facts(read("salinity", "salinity", 0.2, 3.9)).saltMayHideSodium())
                .isFalse();
    }
}
