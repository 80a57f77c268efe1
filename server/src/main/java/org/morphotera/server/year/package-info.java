/** What the coming year asks for: fields to be seen again, actions to be done, and what shows whether they worked. */
package org.morphotera.server.year;
