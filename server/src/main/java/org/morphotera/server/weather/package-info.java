/** Weather at fields, own rain readings, and the days on which tests can be made. */
package org.morphotera.server.weather;
