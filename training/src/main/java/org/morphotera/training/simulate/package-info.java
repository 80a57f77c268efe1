/** Made-up soils with known constraints, and the readings that an advisor would get from them, with their scatter. */
package org.morphotera.training.simulate;
