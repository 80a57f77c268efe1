/** What every feature shares at the edge: errors, limits, the page itself, the API's description. */
package org.morphotera.server.web;
