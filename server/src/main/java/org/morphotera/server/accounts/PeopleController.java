package org.morphotera.server.accounts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.crypto.password.PasswordEncoder;
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

/** The people of a practice: who they are, what they may do, and how somebody joins. */
@RestController
@Least(Role.OWNER)
class PeopleController {

    private static final Duration VALID = Duration.ofDays(7);
    private static final int SECRET_BYTES = 24;

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

    /** @param address where it is taken up; told once, when it is made */
    @Schema(name = "OpenInvitation")
    record Invited(
            UUID id,
            String name,
            String email,
            Role role,
            @Nullable UUID growerId,
            boolean newPassword,
            Instant expiresAt,
            @Nullable String address) {

        static Invited of(AccountMapper.Invitation row, @Nullable String address) {
            return new Invited(
                    row.id(),
                    row.name(),
                    row.email(),
                    row.role(),
                    row.growerId(),
                    row.personId() != null,
                    row.expiresAt(),
                    address);
        }
    }

    @Schema(name = "PracticePeople")
    record People(List<Shown> people, List<Invited> invitations) {}

    @Schema(name = "InvitationWrite")
    record InvitationWrite(
            @NotBlank @Size(max = 200) String name,

            @NotNull @Email(message = "must be an e-mail address") @Size(max = 200)
            String email,

            @NotNull Role role,
            @Nullable UUID growerId) {}

    @Schema(name = "PersonWrite")
    record PersonWrite(
            @NotBlank @Size(max = 200) String name,
            @NotNull Role role,
            @Nullable UUID growerId,
            int version) {}

    /** What an invitation says to whom it is for. */
    @Schema(name = "InvitationShown")
    record InvitationShown(String practice, String name, String email, Role role, boolean newPassword) {}

    @Schema(name = "InvitationTaken")
    record Taken(
            @NotBlank @Size(max = 200) String name,
            @NotNull @Size(max = 200) String password) {}

    private final AccountMapper accounts;
    private final PasswordEncoder encoder;
    private final PasswordRules rules;
    private final OpenSessions sessions;
    private final Post post;
    private final ApplicationEventPublisher happenings;
    private final Clock clock;

    PeopleController(
            AccountMapper accounts,
            PasswordEncoder encoder,
            PasswordRules rules,
            OpenSessions sessions,
            Post post,
            ApplicationEventPublisher happenings,
            Clock clock) {
        this.accounts = accounts;
        this.encoder = encoder;
        this.rules = rules;
        this.sessions = sessions;
        this.post = post;
        this.happenings = happenings;
        this.clock = clock;
    }

    @GetMapping("/api/people")
    People people(@AuthenticationPrincipal Advisor who) {
        return new People(
                accounts.people(who.practiceId()).stream().map(Shown::of).toList(),
                accounts.invitations(who.practiceId(), clock.instant()).stream()
                        .map(row -> Invited.of(row, null))
                        .toList());
    }

    /** Invites somebody: the address that is answered works once, for seven days. */
    @PostMapping("/api/invitations")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    Invited invite(@AuthenticationPrincipal Advisor who, @RequestBody @Validated InvitationWrite body) {
        String email = SignIns.plain(body.email());
        requireGrower(who, body.role(), body.growerId());
        if (accounts.byEmail(email) != null) {
            throw RefusedException.of(
                    "email", "TAKEN", "Somebody signs in with this address already. Give another one.");
        }
        return invite(who, who.practiceId(), null, email, body.name().strip(), body.role(), body.growerId());
    }

    private Invited invite(
            Advisor who,
            UUID practice,
            @Nullable UUID person,
            String email,
            String name,
            Role role,
            @Nullable UUID grower) {
        String secret = Secrets.text(SECRET_BYTES);
        Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        AccountMapper.Invitation row = new AccountMapper.Invitation(
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
        accounts.insertInvitation(row);
        String address = "/invited/" + secret;
        String practiceName = accounts.practiceName(practice);
        post.send(
                email,
                person == null ? "Work with " + practiceName : "A new password for " + practiceName,
                "Open this address of your practice's server within seven days, once: " + address);
        happenings.publishEvent(
                Happened.to(who, "put", person == null ? "invitation" : "new-password", row.id(), name));
        return Invited.of(row, address);
    }

    private void requireGrower(Advisor who, Role role, @Nullable UUID grower) {
        if (role == Role.GROWER && (grower == null || accounts.countGrower(who.practiceId(), grower) == 0)) {
            throw RefusedException.of("growerId", "NEEDED", "Say whose fields they are to read: choose a grower.");
        }
        if (role != Role.GROWER && grower != null) {
            throw RefusedException.of(
                    "growerId", "NOT_FOR_ROLE", "Only a grower reads a grower's fields. Leave it out.");
        }
    }

    @DeleteMapping("/api/invitations/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void withdrawInvitation(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        AccountMapper.Invitation row =
                NotFoundException.require(accounts.invitation(who.practiceId(), id), "invitation");
        accounts.deleteInvitation(who.practiceId(), id);
        happenings.publishEvent(Happened.to(who, "delete", "invitation", id, row.name()));
    }

    /** Changes name and role; another role holds from the next request on, and ends the sessions that were open. */
    @PutMapping("/api/people/{id}")
    @Transactional
    Shown putPerson(
            @AuthenticationPrincipal Advisor who, @PathVariable UUID id, @RequestBody @Validated PersonWrite body) {
        List<UUID> owners = accounts.owners(who.practiceId());
        Person stored = NotFoundException.require(accounts.person(who.practiceId(), id), "person");
        requireHere(stored);
        requireGrower(who, body.role(), body.growerId());
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
        accounts.deleteInvitationsOf(id);
        sessions.endAll(stored.email(), null);
        happenings.publishEvent(Happened.to(who, "delete", "person", id, stored.name()));
    }

    /** An address, for somebody who forgot the password, under which they choose a new one. */
    @PostMapping("/api/people/{id}/new-password")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    Invited newPassword(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        Person stored = NotFoundException.require(accounts.person(who.practiceId(), id), "person");
        requireHere(stored);
        accounts.deleteInvitationsOf(id);
        return invite(who, who.practiceId(), id, stored.email(), stored.name(), stored.role(), stored.growerId());
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

    /** What an address of an invitation is for; nothing where it was used, withdrawn or is too old. */
    @GetMapping("/api/invited/{secret}")
    @OpenToAll
    InvitationShown invitation(@PathVariable @Size(max = 100) String secret) {
        AccountMapper.Invitation row = requireOpen(secret);
        return new InvitationShown(
                accounts.practiceName(row.practiceId()), row.name(), row.email(), row.role(), row.personId() != null);
    }

    private AccountMapper.Invitation requireOpen(String secret) {
        return NotFoundException.require(accounts.open(Secrets.hash(secret), clock.instant()), "invitation");
    }

    /** Takes an invitation up; whoever did signs in with the address that it was for. */
    @PostMapping("/api/invited/{secret}")
    @OpenToAll
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void takeInvitation(@PathVariable @Size(max = 100) String secret, @RequestBody @Validated Taken body) {
        AccountMapper.Invitation row = requireOpen(secret);
        rules.require("password", body.password(), List.of(row.email(), body.name()));
        if (accounts.use(row.id(), clock.instant().truncatedTo(ChronoUnit.MILLIS)) == 0) {
            throw new NotFoundException("invitation");
        }
        String hash = encoder.encode(body.password());
        if (row.personId() != null) {
            accounts.changePassword(row.personId(), hash);
            sessions.endAll(row.email(), null);
            happenings.publishEvent(
                    new Happened(row.practiceId(), row.personId(), "put", "password", row.personId(), null));
            return;
        }
        UUID id = UUID.randomUUID();
        try {
            accounts.insertPerson(
                    Person.begin(id, row.practiceId(), row.email(), body.name().strip(), row.role(), hash)
                            .reading(row.growerId()));
        } catch (DuplicateKeyException e) {
            throw RefusedException.of(
                    "", "TAKEN", "Somebody signs in with this address already. Ask for an invitation to another one.");
        }
        happenings.publishEvent(new Happened(
                row.practiceId(), id, "put", "person", id, body.name().strip()));
    }

    /** A practice that was made, and where its first owner begins. */
    @Schema(name = "NewPractice")
    record NewPractice(UUID id, Invited owner) {}

    @Schema(name = "NewPracticeWrite")
    record NewPracticeWrite(
            @NotBlank @Size(max = 200) String name,
            @NotBlank @Size(max = 200) String ownerName,

            @NotNull @Email(message = "must be an e-mail address") @Size(max = 200)
            String ownerEmail) {}

    /** Makes another practice on this server; it shares nothing with this one. */
    @PostMapping("/api/practices")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    NewPractice newPractice(@AuthenticationPrincipal Advisor who, @RequestBody @Validated NewPracticeWrite body) {
        String email = SignIns.plain(body.ownerEmail());
        if (accounts.byEmail(email) != null) {
            throw RefusedException.of(
                    "ownerEmail", "TAKEN", "Somebody signs in with this address already. Give another one.");
        }
        UUID practice = UUID.randomUUID();
        accounts.insertPractice(practice, body.name().strip(), clock.instant());
        happenings.publishEvent(
                Happened.to(who, "put", "practice", practice, body.name().strip()));
        return new NewPractice(
                practice, invite(who, practice, null, email, body.ownerName().strip(), Role.OWNER, null));
    }

    @Schema(name = "PracticeClosing")
    record Closing(
            @NotNull @Size(max = 200) String name,
            @NotNull @Size(max = 200) String password) {}

    /**
     * Closes the practice: everybody is signed out, and nobody signs in any more. Its data stay until whoever looks after
     * the server takes them away.
     */
    @PostMapping("/api/practice/closed")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void closePractice(@AuthenticationPrincipal Advisor who, @RequestBody @Validated Closing body) {
        if (!accounts.practiceName(who.practiceId()).equals(body.name().strip())) {
            throw RefusedException.of("name", "OTHER_NAME", "Type the practice's name as it stands.");
        }
        if (!encoder.matches(body.password(), accounts.byId(who.id()).passwordHash())) {
            throw RefusedException.of("password", "WRONG", "This is not your password.");
        }
        accounts.closePractice(who.practiceId(), clock.instant().truncatedTo(ChronoUnit.MILLIS));
        happenings.publishEvent(Happened.to(who, "close", "practice", who.practiceId(), null));
        accounts.people(who.practiceId()).stream()
                .filter(person -> person.removedAt() == null)
                .forEach(person -> sessions.endAll(person.email(), null));
    }
}
