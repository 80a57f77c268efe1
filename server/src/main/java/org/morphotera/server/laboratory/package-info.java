/** Composites on their way to a laboratory and back: bags with labels, what was sent, prices, and results as they come in. */
package org.morphotera.server.laboratory;
