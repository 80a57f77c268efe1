/** Visits: the day, its conditions, and where on them a reading is taken. */
package org.morphotera.server.visits;
