/** Sets of tests that a practice makes again and again. */
package org.morphotera.server.testsets;
