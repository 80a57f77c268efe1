/** A whole practice as one file: made, checked, restored into an empty practice, and made by itself at night. */
package org.morphotera.server.archive;
