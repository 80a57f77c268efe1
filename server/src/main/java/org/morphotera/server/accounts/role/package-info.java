/** Who may do what: roles, and what of a practice each person reaches. */
package org.morphotera.server.accounts.role;
