/**
 * Readings: a method or calculator names each once in {@link org.morphotera.core.reading.Fields}. Of its implementations
 * one parses, one describes, and one (in the tests) makes readings up. Faults and their texts.
 */
package org.morphotera.core.reading;
