package org.morphotera.server.archive;

import java.util.UUID;

/** An archive was put in the place of an empty practice, on a server that goes on. */
public record PracticeRestored(UUID practice) {}
