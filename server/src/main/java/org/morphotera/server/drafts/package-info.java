/** Readings on their way, until their test is recorded. */
package org.morphotera.server.drafts;
