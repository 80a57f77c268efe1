/** What was worked out of a field, kept and sent as it was written the first time for as long as nothing changed. */
package org.morphotera.server.viewcache;
