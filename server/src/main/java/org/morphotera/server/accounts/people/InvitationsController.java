package org.morphotera.server.accounts.people;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.practice.Happened;
import org.morphotera.server.accounts.role.GrowerRule;
import org.morphotera.server.accounts.role.OpenToAll;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.accounts.session.OpenSessions;
import org.morphotera.server.accounts.session.PasswordRules;
import org.morphotera.server.web.RefusedException;
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
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How somebody joins a practice, and how a forgotten password is chosen anew. */
@RestController
@RequiresRole(Role.OWNER)
class InvitationsController {

    @Schema(name = "InvitationWrite")
    record InvitationWrite(
            @NotBlank @Size(max = 200) String name,

            @NotNull @Email(message = "must be an e-mail address") @Size(max = 200)
            String email,

            @NotNull Role role,
            @Nullable UUID growerId) {}

    /** What an invitation says to whom it is for. */
    @Schema(name = "InvitationShown")
    record InvitationShown(String practice, String name, String email, Role role, boolean newPassword) {}

    @Schema(name = "InvitationTaken")
    record Taken(
            @NotBlank @Size(max = 200) String name,
            @NotNull @Size(max = 200) String password) {}

    private final Invitations invitations;
    private final GrowerRule growers;
    private final AccountMapper accounts;
    private final PasswordEncoder encoder;
    private final PasswordRules rules;
    private final OpenSessions sessions;
    private final ApplicationEventPublisher happenings;

    InvitationsController(
            Invitations invitations,
            GrowerRule growers,
            AccountMapper accounts,
            PasswordEncoder encoder,
            PasswordRules rules,
            OpenSessions sessions,
            ApplicationEventPublisher happenings) {
        this.invitations = invitations;
        this.growers = growers;
        this.accounts = accounts;
        this.encoder = encoder;
        this.rules = rules;
        this.sessions = sessions;
        this.happenings = happenings;
    }

    /** Invites somebody: the address that is answered works once, for seven days. */
    @PostMapping("/api/invitations")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    Invitation.Shown invite(@AuthenticationPrincipal Advisor who, @RequestBody @Validated InvitationWrite body) {
        growers.require(who, body.role(), body.growerId());
        return invitations.invite(
                who, who.practiceId(), "email", body.email(), body.name(), body.role(), body.growerId());
    }

    @DeleteMapping("/api/invitations/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void withdrawInvitation(@AuthenticationPrincipal Advisor who, @PathVariable UUID id) {
        invitations.withdraw(who, id);
    }

    /** What an address of an invitation is for; nothing where it was used, withdrawn or is too old. */
    @GetMapping("/api/invited/{secret}")
    @OpenToAll
    InvitationShown invitation(@PathVariable @Size(max = 100) String secret) {
        Invitation row = invitations.require(secret);
        return new InvitationShown(
                accounts.practiceName(row.practiceId()), row.name(), row.email(), row.role(), row.personId() != null);
    }

    /** Takes an invitation up; whoever did signs in with the address that it was for. */
    @PostMapping("/api/invited/{secret}")
    @OpenToAll
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void takeInvitation(@PathVariable @Size(max = 100) String secret, @RequestBody @Validated Taken body) {
        Invitation row = invitations.require(secret);
        rules.require("password", body.password(), List.of(row.email(), body.name()));
        invitations.use(row);
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
            accounts.insertPerson(Person.begin(
                    id, row.practiceId(), row.email(), body.name().strip(), row.role(), hash, row.growerId(), false));
        } catch (DuplicateKeyException e) {
            throw RefusedException.of(
                    "", "TAKEN", "Somebody signs in with this address already. Ask for an invitation to another one.");
        }
        happenings.publishEvent(new Happened(
                row.practiceId(), id, "put", "person", id, body.name().strip()));
    }
}
