/** Clocks that run, over stops and days. */
package org.morphotera.server.clocks;
