/** Two places held against each other. */
package org.morphotera.server.compare;
