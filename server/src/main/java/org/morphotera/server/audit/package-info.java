/** Who changed what, and when. */
package org.morphotera.server.audit;
