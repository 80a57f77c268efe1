/** What pages read of measurements, made again from them. */
package org.morphotera.server.projections;
