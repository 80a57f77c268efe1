/**
 * Pictures drawn with known truth, as a camera of some quality would take them, to try readings on. Their arithmetic is their
 * own: what is tried must not be its own measure.
 */
package org.morphotera.core.photo.drawn;
