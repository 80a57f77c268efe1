/** The rules of the job as pure Java: what there is, in one list each. The packages below say what they own. */
package org.morphotera.core;
