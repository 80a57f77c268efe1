/**
 * Curves, bands and tables, all parsed from data files that the caller reads and hands in. Every benchmark carries its
 * source. Depends on {@code soil} and {@code text}.
 */
package org.morphotera.core.benchmark;
