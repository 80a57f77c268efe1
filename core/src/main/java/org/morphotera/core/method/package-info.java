/**
 * What a field method is: readings in, evaluation out. The interface, the reading of plain trees, faults, the
 * registry, and the forms in which evaluations and the catalogue leave the core. Depends on {@code soil} and
 * {@code benchmark}.
 */
package org.morphotera.core.method;
