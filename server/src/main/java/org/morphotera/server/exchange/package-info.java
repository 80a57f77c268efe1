/** Records as files that other programs read, and back: readings and figures, fields and stops. */
package org.morphotera.server.exchange;
