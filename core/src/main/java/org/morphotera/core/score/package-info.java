/** From the findings at stops to what a field shows: medians, odd stops, levels by depth. */
package org.morphotera.core.score;
