/** The calculators of amendment and management: stateless, open to everyone. */
package org.morphotera.server.calculators;
