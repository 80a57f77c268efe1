/**
 * What a field method is: the interface, its card, the registry and the catalogue. The packages below are the methods,
 * one folder each by family: the class, its private formulas and, under the same path in the resources, its texts and
 * benchmarks.
 */
package org.morphotera.core.method;
