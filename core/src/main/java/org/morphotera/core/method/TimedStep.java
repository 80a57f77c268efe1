package org.morphotera.core.method;

/**
 * A moment of a method that a clock should call out.
 *
 * @param code step, such as {@code cloud-10}
 * @param atSeconds after the start; {@code null} when worked out from the readings
 * @param toleranceSeconds how late it may be read without loss
 */
public record TimedStep(String code, Integer atSeconds, int toleranceSeconds) {}
