/** The walk: visits, readings on their way, measurements, clocks. */
package org.morphotera.server.visits;
