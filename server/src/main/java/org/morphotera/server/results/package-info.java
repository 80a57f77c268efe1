/** What measurements show, by depth: the projection of their indicators, core strips and soil faces. */
package org.morphotera.server.results;
