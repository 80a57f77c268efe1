/** Scores of a field by the three schools, soil beside plant. */
package org.morphotera.server.sheets;
