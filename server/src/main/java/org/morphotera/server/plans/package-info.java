/** The calculators, open like the methods. */
package org.morphotera.server.plans;
