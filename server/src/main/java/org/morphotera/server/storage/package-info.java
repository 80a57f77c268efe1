/** The database underneath: opened, brought to today's tables, synced, kept small, and what is said while it is away. */
package org.morphotera.server.storage;
