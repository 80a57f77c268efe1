package org.morphotera.server.accounts.people;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.practice.Happened;
import org.morphotera.server.accounts.role.GrowerRule;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.accounts.session.OpenSessions;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The people of a practice: who they are, and what they may do. */
@RestController
@RequiresRole(Role.OWNER)
class PeopleController {

    /**
     * Somebody of the practice.
     *
     * @param email absent once they were removed
     * @param growerId whose fields a grower reads
     * @param authenticator whether sign-ins ask for a code
     */
    @Schema(name = "PracticePerson")
    record Shown(
            UUID id,
            String name,
            @Nullable String email,
            Role role,
            @Nullable UUID growerId,
            boolean authenticator,
            @Nullable Instant removedAt,
            int version) {

        static Shown of(Person person) {
            return new Shown(
                    person.id(),
                    person.name(),
                    person.removedAt() == null ? person.email() : null,
                    person.role(),
                    person.growerId(),
                    person.secondFactor() != null,
                    person.removedAt(),
                    person.version());
        }
    }

    @Schema(name = "PracticePeople")
    record People(List<Shown> people, List<Invitation.Shown> invitations) {}

    @Schema(name = "PersonWrite")
    record PersonWrite(
            @NotBlank @Size(max = 200) String name,
            @NotNull Role role,
            @Nullable UUID growerId,
            int version) {}

    private final AccountMapper accounts;
    private final Invitations invitations;
    private final GrowerRule growers;
    private final OpenSessions sessions;
    private final ApplicationEventPublisher happenings;
    private final Clock clock;

    PeopleController(
            AccountMapper accounts,
            Invitations invitations,
            GrowerRule growers,
            OpenSessions sessions,
            ApplicationEventPublisher happenings,
            Clock clock) {
        this.accounts = accounts;
        this.invitations = invitations;
        this.growers = growers;
        this.sessions = sessions;
        this.happenings = happenings;
        this.clock = clock;
    }

    @GetMapping("/api/people")
    People people(@AuthenticationPrincipal Advisor who) {
        return new People(
                accounts.people(who.practiceId()).stream().map(Shown::of).toList(), invitations.open(who.practiceId()));
    }

    /** Changes name and role; another role holds from the next request on, and ends the sessions that were open. */
    @PutMapping("/api/people/{id}")
    @Transactional
    Shown putPerson(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated PersonWrite body) {
        List<UUID> owners = accounts.owners(who.practiceId());
        Person stored = NotFoundException.require(accounts.person(who.practiceId(), id), "person");
        requireHere(stored);
        growers.require(who, body.role(), body.growerId());
        if (body.role() != Role.OWNER) {
            requireOtherOwner(owners, stored);
        }
        boolean ending = body.role() != stored.role()
                || body.growerId() != null && !body.growerId().equals(stored.growerId());
        int changed = accounts.updatePerson(
                id, body.name().strip(), body.role(), body.growerId(), ending ? 1 : 0, body.version());
        if (changed == 0) {
            throw new StaleException(body, Shown.of(stored));
        }
        if (ending) {
            sessions.endAll(stored.email(), null);
        }
        happenings.publishEvent(Happened.to(
                who,
                "put",
                "person",
                id,
                body.name().strip() + ", " + body.role().word()));
        return Shown.of(accounts.person(who.practiceId(), id));
    }

    private static void requireHere(Person stored) {
        if (stored.removedAt() != null) {
            throw RefusedException.of("", "REMOVED", "They were removed before. Invite them anew.");
        }
    }

    private static void requireOtherOwner(List<UUID> owners, Person stored) {
        if (owners.contains(stored.id()) && owners.size() == 1) {
            throw RefusedException.of("role", "LAST_OWNER", "A practice keeps an owner. Make somebody else one first.");
        }
    }

    /** Ends what somebody may do; what they did stays under their name. A repeated removal is answered as the first. */
    @DeleteMapping("/api/people/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void removePerson(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        List<UUID> owners = accounts.owners(who.practiceId());
        Person stored = NotFoundException.require(accounts.person(who.practiceId(), id), "person");
        if (stored.removedAt() != null) {
            return;
        }
        requireOtherOwner(owners, stored);
        accounts.removePerson(id, "removed:" + id, clock.instant().truncatedTo(ChronoUnit.MILLIS));
        invitations.endOf(id);
        sessions.endAll(stored.email(), null);
        happenings.publishEvent(Happened.to(who, "delete", "person", id, stored.name()));
    }

    /** An address, for somebody who forgot the password, under which they choose a new one. */
    @PostMapping("/api/people/{id}/new-password")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    Invitation.Shown newPassword(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        Person stored = NotFoundException.require(accounts.person(who.practiceId(), id), "person");
        requireHere(stored);
        return invitations.renew(who, stored);
    }

    /** For somebody whose authenticator is lost: the next sign-in asks for no code, and open sessions end. */
    @DeleteMapping("/api/people/{id}/authenticator")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void removeAuthenticator(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        Person stored = NotFoundException.require(accounts.person(who.practiceId(), id), "person");
        requireHere(stored);
        if (stored.secondFactor() != null) {
            accounts.changeFactor(id, null, null, null);
            sessions.endAll(stored.email(), null);
            happenings.publishEvent(Happened.to(who, "delete", "authenticator", id, stored.name()));
        }
    }
}
