/** One model of a field behind its levels, its changes and the comparison of its patches. */
package org.morphotera.core.judgement;
