/** What a piece of work should bring over the years, and how readings since change that. */
package org.morphotera.core.plan.outlook;
