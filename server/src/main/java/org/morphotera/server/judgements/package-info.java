/** A whole field judged in one call; nothing is kept. */
package org.morphotera.server.judgements;
