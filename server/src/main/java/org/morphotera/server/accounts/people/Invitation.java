package org.morphotera.server.accounts.people;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.role.Role;

/**
 * What an address that works once is for: to join a practice, or to choose a new password.
 *
 * @param personId whose password it is for; {@code null} of somebody new
 * @param secretHash of what stands in the address
 */
public record Invitation(
        UUID id,
        UUID practiceId,
        @Nullable UUID personId,
        String email,
        String name,
        Role role,
        @Nullable UUID growerId,
        String secretHash,
        UUID madeBy,
        Instant madeAt,
        Instant expiresAt,
        @Nullable Instant usedAt) {

    /** @param address where it is taken up; told once, when it is made */
    @Schema(name = "OpenInvitation")
    public record Shown(
            UUID id,
            String name,
            String email,
            Role role,
            @Nullable UUID growerId,
            boolean newPassword,
            Instant expiresAt,
            @Nullable String address) {}

    Shown shown(@Nullable String address) {
        return new Shown(id, name, email, role, growerId, personId != null, expiresAt, address);
    }
}
