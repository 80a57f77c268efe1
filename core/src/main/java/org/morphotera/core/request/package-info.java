/** A whole field judged in one call: what is sent, and the answer. */
package org.morphotera.core.request;
