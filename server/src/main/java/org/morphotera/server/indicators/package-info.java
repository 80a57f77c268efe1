/** What measurements show, as rows that can be queried: kept in step with the measurements that stand. */
package org.morphotera.server.indicators;
