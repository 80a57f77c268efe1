/** Means, medians and intervals, on Commons Statistics where it has them. */
package org.morphotera.core.statistics;
