/** The API's own description. */
package org.morphotera.server.description;
