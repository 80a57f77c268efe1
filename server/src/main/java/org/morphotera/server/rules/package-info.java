/** A practice's own curves and bands: edited, looked at beforehand, and all its findings judged by them. */
package org.morphotera.server.rules;
