/** Readings: a method or calculator names each once ({@link org.morphotera.core.reading.Fields}), and three hands take them: one parses, one describes, one (in the tests) makes them up. Faults and their texts. */
package org.morphotera.core.reading;
