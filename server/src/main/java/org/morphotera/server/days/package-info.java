/** Days of work as they are planned and as they went. */
package org.morphotera.server.days;
