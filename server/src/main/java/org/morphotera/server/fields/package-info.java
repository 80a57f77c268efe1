/** Growers, their fields, the stops in them, and what was done to the land. */
package org.morphotera.server.fields;
