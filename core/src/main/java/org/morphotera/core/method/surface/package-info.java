/** Methods worked at the surface and down a hole: probe, infiltration ring, drainage hole, temperature. */
package org.morphotera.core.method.surface;
