/** What is seen at a stop without a test. */
package org.morphotera.server.observations;
