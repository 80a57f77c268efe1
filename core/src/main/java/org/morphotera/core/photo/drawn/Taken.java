package org.morphotera.core.photo.drawn;

/**
 * How a picture was taken.
 *
 * @param noise standard deviation of each channel, levels of 255
 * @param shade how much darker the picture's dark side is than its light side, 0..1
 * @param glare strength of a shine, 0..1
 * @param tilt of the camera, degrees
 * @param blur radius of the blur, points
 * @param warmth of the light: over 0 warm, under 0 blue, −0.5..0.5
 */
public record Taken(double noise, double shade, double glare, double tilt, double blur, double warmth) {

    /** By a good camera in even light. */
    public static final Taken WELL = new Taken(2, 0, 0, 0, 0.6, 0);

    /** In usual light, by hand. */
    public static final Taken USUALLY = new Taken(5, 0.15, 0.2, 1.5, 1, 0.1);

    /** In a hurry: noise, a shadow across, glare, a tilted hand. */
    public static final Taken BADLY = new Taken(10, 0.4, 0.6, 4, 2, 0.25);
}
