/** Methods that measure the soil's microbes. */
package org.morphotera.core.life;
