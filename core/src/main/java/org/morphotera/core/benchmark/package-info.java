/**
 * Curves, bands, tables and message texts, all parsed from data files that the caller reads and hands in. Every
 * benchmark carries its source. Depends only on {@code soil}.
 */
package org.morphotera.core.benchmark;
