/** The field by depth, and the shrunk faces of fields and visits. */
package org.morphotera.server.faces;
