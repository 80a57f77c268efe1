/**
 * The words and units of the domain: texture, depth layers, land use, moisture. Immutable value types that
 * cannot hold nonsense. Depends on nothing else in the core.
 */
package org.morphotera.core.soil;
