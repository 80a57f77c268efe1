package org.morphotera.server.accounts;

import java.util.UUID;

/** Someone who signs in. */
public record Person(
        UUID id,
        UUID practiceId,
        String email,
        String name,
        String role,
        String passwordHash,
        String units,
        String theme) {}
