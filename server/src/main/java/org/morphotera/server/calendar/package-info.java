/** What is due as a calendar that other programs read: by download, and under secret addresses. */
package org.morphotera.server.calendar;
