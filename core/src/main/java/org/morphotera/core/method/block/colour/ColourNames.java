package org.morphotera.core.method.block.colour;

import java.util.LinkedHashMap;
import java.util.Map;
import org.morphotera.core.soil.Numbers;

/** Names of the colours of the 10YR page (Soil Science Division Staff, 2017); other hues have their notation. */
final class ColourNames {

    private static final Map<String, String> BROWN_10YR = new LinkedHashMap<>();

    static {
        name("white", "8/1");
        name("very pale brown", "8/2", "8/3", "8/4", "7/3", "7/4");
        name("yellow", "8/6", "8/8", "7/6", "7/8");
        name("light gray", "7/1", "7/2");
        name("gray", "6/1", "5/1");
        name("light brownish gray", "6/2");
        name("pale brown", "6/3");
        name("light yellowish brown", "6/4");
        name("brownish yellow", "6/6", "6/8");
        name("grayish brown", "5/2");
        name("brown", "5/3", "4/3");
        name("yellowish brown", "5/4", "5/6", "5/8");
        name("dark gray", "4/1");
        name("dark grayish brown", "4/2");
        name("dark yellowish brown", "4/4", "4/6", "3/4", "3/6");
        name("very dark gray", "3/1");
        name("very dark grayish brown", "3/2");
        name("dark brown", "3/3");
        name("black", "2/1");
        name("very dark brown", "2/2");
    }

    private ColourNames() {}

    private static void name(String name, String... chips) {
        for (String chip : chips) {
            BROWN_10YR.put(chip, name);
        }
    }

    static String of(Colour.Notation colour) {
        String chip = Numbers.show(colour.value()) + "/" + Numbers.show(colour.chroma());
        String notation = colour.hue().code() + " " + chip;
        return colour.hue() == Colour.Hue.BROWN_10YR ? BROWN_10YR.getOrDefault(chip, notation) : notation;
    }
}
