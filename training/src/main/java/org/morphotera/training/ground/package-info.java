/** A made-up soil as simulated tests meet it, and the scatter of what they read. Depends on {@code soil}. */
package org.morphotera.training.ground;
