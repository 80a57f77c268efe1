/** Plain text files: their form, and the messages in them. */
package org.morphotera.core.text;
