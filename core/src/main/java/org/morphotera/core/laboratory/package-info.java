/** What goes to a laboratory and what comes of it: how a composite is drawn, and what a report's figures are. */
package org.morphotera.core.laboratory;
