/** The catalogue of methods and their evaluation: stateless, open to everyone. */
package org.morphotera.server.methods;
