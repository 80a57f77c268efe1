package org.morphotera.server.accounts.people;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.practice.Happened;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.accounts.session.Secrets;
import org.morphotera.server.accounts.session.SignIns;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Makes addresses that work once, and knows them again. */
@Component
public class Invitations {

    private static final Duration VALID = Duration.ofDays(7);
    private static final int SECRET_BYTES = 24;

    private final InvitationMapper rows;
    private final AccountMapper accounts;
    private final Post post;
    private final ApplicationEventPublisher happenings;
    private final Clock clock;

    Invitations(
            InvitationMapper rows,
            AccountMapper accounts,
            Post post,
            ApplicationEventPublisher happenings,
            Clock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.post = post;
        this.happenings = happenings;
        this.clock = clock;
    }

    /**
     * Invites somebody new.
     *
     * @param field of the address, where it is refused
     * @throws RefusedException when somebody signs in with the address already
     */
    public Invitation.Shown invite(
            Advisor who, UUID practice, String field, String email, String name, Role role, @Nullable UUID grower) {
        String plain = SignIns.plain(email);
        if (accounts.byEmail(plain) != null) {
            throw RefusedException.of(field, "TAKEN", "Somebody signs in with this address already. Give another one.");
        }
        return make(who, practice, null, plain, name.strip(), role, grower);
    }

    /** Lets somebody of the practice choose a new password; earlier addresses of theirs work no more. */
    Invitation.Shown renew(Advisor who, Person person) {
        rows.deleteOf(person.id());
        return make(
                who, who.practiceId(), person.id(), person.email(), person.name(), person.role(), person.growerId());
    }

    private Invitation.Shown make(
            Advisor who,
            UUID practice,
            @Nullable UUID person,
            String email,
            String name,
            Role role,
            @Nullable UUID grower) {
        String secret = Secrets.text(SECRET_BYTES);
        Instant now = now();
        Invitation row = new Invitation(
                UUID.randomUUID(),
                practice,
                person,
                email,
                name,
                role,
                grower,
                Secrets.hash(secret),
                who.id(),
                now,
                now.plus(VALID),
                null);
        rows.insert(row);
        String address = "/invited/" + secret;
        String practiceName = accounts.practiceName(practice);
        post.send(
                email,
                person == null ? "Work with " + practiceName : "A new password for " + practiceName,
                "Open this address of your practice's server within seven days, once: " + address);
        happenings.publishEvent(
                Happened.to(who, "put", person == null ? "invitation" : "new-password", row.id(), name));
        return row.shown(address);
    }

    /** Those of a practice that can still be taken up, newest first. */
    List<Invitation.Shown> open(UUID practice) {
        return rows.unused(practice, clock.instant()).stream()
                .map(row -> row.shown(null))
                .toList();
    }

    /** @throws NotFoundException where it was used, withdrawn, or is too old */
    Invitation require(String secret) {
        return NotFoundException.require(rows.open(Secrets.hash(secret), clock.instant()), "invitation");
    }

    /** @throws NotFoundException where somebody was quicker */
    void use(Invitation invitation) {
        if (rows.use(invitation.id(), now()) == 0) {
            throw new NotFoundException("invitation");
        }
    }

    void withdraw(Advisor who, UUID id) {
        Invitation row = NotFoundException.require(rows.one(who.practiceId(), id), "invitation");
        rows.delete(who.practiceId(), id);
        happenings.publishEvent(Happened.to(who, "delete", "invitation", id, row.name()));
    }

    /** Somebody has left, or chose another password: no address that was made for them works any more. */
    public void endOf(UUID person) {
        rows.deleteOf(person);
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MILLIS);
    }
}
