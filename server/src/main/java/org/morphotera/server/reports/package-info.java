/** What is handed out on paper: the grower's report and blank field sheets, as PDF. */
package org.morphotera.server.reports;
