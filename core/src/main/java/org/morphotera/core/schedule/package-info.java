/** When to test: conditions of the day. */
package org.morphotera.core.schedule;
