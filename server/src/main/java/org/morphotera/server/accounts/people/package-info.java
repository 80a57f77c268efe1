/** The people of a practice, and how they are invited. */
package org.morphotera.server.accounts.people;
