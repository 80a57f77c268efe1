/** Methods that measure the soil's microbes. */
package org.morphotera.core.method.life;
