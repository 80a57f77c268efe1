/** What limits a field, by the evidence of all its tests. */
package org.morphotera.server.limits;
