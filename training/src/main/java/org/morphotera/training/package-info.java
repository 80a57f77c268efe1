/**
 * Learning to score: a ground whose truth is known, played and judged, and how far several people agree on the same
 * places. Nothing of it becomes a reading of a field.
 */
package org.morphotera.training;
