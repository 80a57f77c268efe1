/** Where in a field to stand: stops spread over its ground. Needs a geometry library, so it runs on a server only. */
package org.morphotera.placement;
