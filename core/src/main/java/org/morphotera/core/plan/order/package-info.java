/** Kinds of work and the order in which they may be done. */
package org.morphotera.core.plan.order;
