/** Programmes over years, for what no single action mends. */
package org.morphotera.core.plan.road;
