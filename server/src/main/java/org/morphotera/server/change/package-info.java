/** Whether what changed between visits is real. */
package org.morphotera.server.change;
