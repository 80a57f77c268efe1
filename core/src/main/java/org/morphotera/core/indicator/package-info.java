/** The indicators there are. Of each its label, curves, bands, weights and scatters lie in one folder of the resources. */
package org.morphotera.core.indicator;
