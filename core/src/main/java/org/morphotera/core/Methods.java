package org.morphotera.core;

import java.util.List;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.aboveground.groundcover.GroundCover;
import org.morphotera.core.method.aboveground.leafcolour.LeafColour;
import org.morphotera.core.method.aboveground.plantsap.PlantSap;
import org.morphotera.core.method.aboveground.surfacelife.SurfaceLife;
import org.morphotera.core.method.aboveground.sward.Sward;
import org.morphotera.core.method.block.colour.Colour;
import org.morphotera.core.method.block.earthworms.Earthworms;
import org.morphotera.core.method.block.fingerstain.FingerStain;
import org.morphotera.core.method.block.mottling.Mottling;
import org.morphotera.core.method.block.pit.Pit;
import org.morphotera.core.method.block.porosity.Porosity;
import org.morphotera.core.method.block.roots.Roots;
import org.morphotera.core.method.block.smell.Smell;
import org.morphotera.core.method.block.structure.Structure;
import org.morphotera.core.method.block.texturefeel.TextureFeel;
import org.morphotera.core.method.block.texturejar.TextureJar;
import org.morphotera.core.method.chemistry.fizz.Fizz;
import org.morphotera.core.method.chemistry.labresult.LabResult;
import org.morphotera.core.method.chemistry.nutrientkit.NutrientKit;
import org.morphotera.core.method.chemistry.ph.Ph;
import org.morphotera.core.method.chemistry.salinity.Salinity;
import org.morphotera.core.method.life.microbialbiomass.MicrobialBiomass;
import org.morphotera.core.method.life.respiration.Respiration;
import org.morphotera.core.method.surface.holedrainage.HoleDrainage;
import org.morphotera.core.method.surface.penetration.Penetration;
import org.morphotera.core.method.surface.ringinfiltration.RingInfiltration;
import org.morphotera.core.method.surface.soiltemperature.SoilTemperature;
import org.morphotera.core.method.water.crumbstability.CrumbStability;
import org.morphotera.core.method.water.slump.Slump;

/** The one list of all field methods, in the order of the soil face. */
public final class Methods {

    private Methods() {}

    /** A registry of them; a method’s own class is all that a new one adds here. */
    public static MethodRegistry all() {
        return new MethodRegistry(List.of(
                new GroundCover(),
                new SurfaceLife(),
                new LeafColour(),
                new Sward(),
                new PlantSap(),
                new SoilTemperature(),
                new Penetration(),
                new RingInfiltration(),
                new HoleDrainage(),
                new TextureFeel(),
                new TextureJar(),
                new Structure(),
                new Porosity(),
                new Smell(),
                new Mottling(),
                new FingerStain(),
                new Colour(),
                new Earthworms(),
                new Roots(),
                new Pit(),
                new CrumbStability(),
                new Slump(),
                new Ph(),
                new Fizz(),
                new Salinity(),
                new NutrientKit(),
                new LabResult(),
                new Respiration(),
                new MicrobialBiomass()));
    }
}
