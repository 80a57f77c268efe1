/** Random readings of each method without the contradictions that its checks refuse. */
package org.morphotera.testkit.sound;
