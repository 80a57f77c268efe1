/** What was read: readings on their way, and measurements, which are only ever added to; how projections are made again. */
package org.morphotera.server.measurements;
