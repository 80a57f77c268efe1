/** What methods, calculators and judgement share of soil chemistry: the pH that a crop wants. */
package org.morphotera.core.chemistry;
