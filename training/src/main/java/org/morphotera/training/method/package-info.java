/** What each field method reads on a made-up soil. */
package org.morphotera.training.method;
