package org.morphotera.core;

import java.util.List;
import org.morphotera.core.aboveground.GroundCover;
import org.morphotera.core.aboveground.LeafColour;
import org.morphotera.core.aboveground.PlantSap;
import org.morphotera.core.aboveground.SurfaceLife;
import org.morphotera.core.aboveground.Sward;
import org.morphotera.core.block.Colour;
import org.morphotera.core.block.Earthworms;
import org.morphotera.core.block.Mottling;
import org.morphotera.core.block.Pit;
import org.morphotera.core.block.Roots;
import org.morphotera.core.block.ScoredBySight;
import org.morphotera.core.block.Structure;
import org.morphotera.core.block.TextureFeel;
import org.morphotera.core.block.TextureJar;
import org.morphotera.core.chemistry.Fizz;
import org.morphotera.core.chemistry.LabResult;
import org.morphotera.core.chemistry.NutrientKit;
import org.morphotera.core.chemistry.Ph;
import org.morphotera.core.chemistry.Salinity;
import org.morphotera.core.life.MicrobialBiomass;
import org.morphotera.core.life.Respiration;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.surface.HoleDrainage;
import org.morphotera.core.surface.Penetration;
import org.morphotera.core.surface.RingInfiltration;
import org.morphotera.core.surface.SoilTemperature;
import org.morphotera.core.water.CrumbStability;
import org.morphotera.core.water.Slump;

/** The one list of all field methods, in the order of the soil face. */
public final class Methods {

    private Methods() {}

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
                ScoredBySight.porosity(),
                ScoredBySight.smell(),
                new Mottling(),
                ScoredBySight.fingerStain(),
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
