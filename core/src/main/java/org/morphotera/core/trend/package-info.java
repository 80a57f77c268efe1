/** Coming back: whether a change is real, how small a change could have been seen, whether visits are alike. */
package org.morphotera.core.trend;
