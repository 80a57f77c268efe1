package org.morphotera.core.photo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;

class LabTest {

    @Test
    void aColourOfAScreenComesBackAsItWas() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            int red = random.nextInt(256);
            int green = random.nextInt(256);
            int blue = random.nextInt(256);
            Lab lab = Lab.ofLinear(Lab.linear(red), Lab.linear(green), Lab.linear(blue));
            assertThat(lab.hex()).isEqualTo(String.format("#%02x%02x%02x", red, green, blue));
        }
    }

    @Test
    void whatNoScreenShowsIsTheNearestEnd() {
        assertThat(new Lab(0, 0, 0).hex()).isEqualTo("#000000");
        assertThat(new Lab(120, 0, 0).hex()).isEqualTo("#ffffff");
    }
}
