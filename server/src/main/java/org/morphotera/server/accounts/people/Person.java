package org.morphotera.server.accounts.people;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.role.Role;

/**
 * Someone who signs in, or did.
 *
 * @param growerId whose fields a grower reads
 * @param mustChange the password was made up for them
 * @param signInVersion sessions of an earlier one have ended
 * @param secondFactor secret of the authenticator, in base 32
 * @param factorStep the last of its steps that was used
 * @param recovery hashes of codes for when the authenticator is lost, joined by commas
 * @param removedAt from when on they belong to the practice no more; what they did stays under their name
 */
public record Person(
        UUID id,
        UUID practiceId,
        String email,
        String name,
        Role role,
        String passwordHash,
        String units,
        String theme,
        @Nullable UUID growerId,
        boolean mustChange,
        int signInVersion,
        @Nullable String secondFactor,
        @Nullable Long factorStep,
        @Nullable String recovery,
        @Nullable Instant removedAt,
        int version) {

    /** Somebody new, with the usual settings. */
    public static Person begin(UUID id, UUID practice, String email, String name, Role role, String passwordHash) {
        return begin(id, practice, email, name, role, passwordHash, null, false);
    }

    /** Somebody new who reads a grower's fields, or whose password was made up for them. */
    public static Person begin(
            UUID id,
            UUID practice,
            String email,
            String name,
            Role role,
            String passwordHash,
            @Nullable UUID growerId,
            boolean mustChange) {
        return new Person(
                id,
                practice,
                email,
                name,
                role,
                passwordHash,
                "metric",
                "desk",
                growerId,
                mustChange,
                0,
                null,
                null,
                null,
                null,
                1);
    }
}
