/** Amendments and management: calculators with their working, and what follows from a limit. */
package org.morphotera.core.plan;
