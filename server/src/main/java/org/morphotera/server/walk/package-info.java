/** A visit as the walk shows it: conditions, contexts, tests, readings on their way and what was seen, in one answer. */
package org.morphotera.server.walk;
