/** Methods worked on the dug block: texture, structure, smell, colour, worms, roots, the pit. */
package org.morphotera.core.method.block;
