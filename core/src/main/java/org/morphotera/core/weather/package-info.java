/** On which days a field can be tested: a daily balance of the water in its soil over weather seen and forecast. */
package org.morphotera.core.weather;
