/** Methods in which crumbs or clods are set in water and watched. */
package org.morphotera.core.method.water;
