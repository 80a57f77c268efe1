package org.morphotera.server.accounts.practice;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;

/** Something of signing in, people or the practice that belongs into the log of who did what. */
public record Happened(
        UUID practiceId,
        UUID personId,
        String action,
        String entity,
        UUID id,
        @Nullable String detail) {

    public static Happened to(Advisor who, String action, String entity, UUID id, @Nullable String detail) {
        return new Happened(who.practiceId(), who.id(), action, entity, id, detail);
    }
}
