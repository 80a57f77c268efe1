/** Methods that look at what stands and lives above the ground. */
package org.morphotera.core.method.aboveground;
