package org.morphotera.server.methods;

/**
 * By which rules this server evaluates; every measurement is stamped with it.
 *
 * @param version of the build
 * @param benchmarks hash of the benchmark files in force, a practice's own among them: 16 hexadecimal digits
 */
public record RulesInForce(String version, String benchmarks) {}
