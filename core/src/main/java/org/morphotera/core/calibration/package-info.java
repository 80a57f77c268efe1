/** How far people agree who scored the same places. */
package org.morphotera.core.calibration;
