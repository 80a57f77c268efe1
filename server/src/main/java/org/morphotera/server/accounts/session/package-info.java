/** Signing in and out, passwords, and the sessions that are open. */
package org.morphotera.server.accounts.session;
