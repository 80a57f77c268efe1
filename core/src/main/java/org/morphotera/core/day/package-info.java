/** Who does what, where and when on a day of tests: a search over orders, persons and times. */
package org.morphotera.core.day;
