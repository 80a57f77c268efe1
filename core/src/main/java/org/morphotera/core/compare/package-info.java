/** Two places or dates side by side: what differs by more than its uncertainty. */
package org.morphotera.core.compare;
