/** Photos of tests and depths: checked by content, stored without their position, read only by their practice. */
package org.morphotera.server.photos;
