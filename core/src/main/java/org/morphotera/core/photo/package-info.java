/** Pictures as plain numbers, and what is worked out on them: colours, thresholds, parts. Nothing here decodes a file. */
package org.morphotera.core.photo;
