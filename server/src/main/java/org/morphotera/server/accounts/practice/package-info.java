/** The practice itself: its name, its first account, what its log says. */
package org.morphotera.server.accounts.practice;
