/** What limits a field: a small Bayesian evidence engine over findings, and which test tells most for its minutes. */
package org.morphotera.core.limits;
