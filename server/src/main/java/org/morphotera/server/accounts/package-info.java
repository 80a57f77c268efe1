/** Practices, people, signing in, and the settings of a person. */
package org.morphotera.server.accounts;
