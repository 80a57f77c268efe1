/** Several people score the same places without seeing each other's scores; then how far they agree. Kept as a record. */
package org.morphotera.server.calibration;
