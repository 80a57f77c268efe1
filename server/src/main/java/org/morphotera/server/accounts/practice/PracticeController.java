package org.morphotera.server.accounts.practice;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.accounts.people.Invitation;
import org.morphotera.server.accounts.people.Invitations;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.accounts.session.OpenSessions;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.Versioned;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What a practice is called and how it works; how one is made, and closed. */
@RestController
@RequiresRole(Role.OWNER)
class PracticeController {

    /**
     * Settings of a practice.
     *
     * @param sheetSchool the school that a sheet opens with
     * @param hemisphere where no stop has a position; absent to take the northern then
     * @param currency the sign, or the letters, before amounts of money
     */
    @Schema(name = "PracticeSettings")
    record Shown(
            UUID id,
            String name,
            String sheetSchool,
            @Nullable String hemisphere,
            @Nullable String currency,
            int version) {}

    @Schema(name = "PracticeSettingsWrite")
    record Write(
            @NotBlank @Size(max = 200) String name,

            @NotNull @Pattern(regexp = "flags|points|average", message = "must be flags, points or average")
            String sheetSchool,

            @Nullable @Pattern(regexp = "north|south", message = "must be north or south")
            String hemisphere,

            @Nullable @Size(max = 8) String currency,
            int version) {}

    private final AccountMapper accounts;
    private final Invitations invitations;
    private final PasswordEncoder encoder;
    private final OpenSessions sessions;
    private final ApplicationEventPublisher happenings;
    private final Clock clock;

    PracticeController(
            AccountMapper accounts,
            Invitations invitations,
            PasswordEncoder encoder,
            OpenSessions sessions,
            ApplicationEventPublisher happenings,
            Clock clock) {
        this.accounts = accounts;
        this.invitations = invitations;
        this.encoder = encoder;
        this.sessions = sessions;
        this.happenings = happenings;
        this.clock = clock;
    }

    @GetMapping("/api/practice")
    @RequiresRole(Role.GROWER)
    Shown practice(@AuthenticationPrincipal Advisor who) {
        return shown(accounts.practice(who.practiceId()));
    }

    @PutMapping("/api/practice")
    @Transactional
    Shown putPractice(@AuthenticationPrincipal Advisor who, @RequestBody @Validated Write body) {
        AccountReader.Practice sent = new AccountReader.Practice(
                who.practiceId(),
                body.name().strip(),
                body.sheetSchool(),
                body.hemisphere(),
                body.currency() == null || body.currency().isBlank()
                        ? null
                        : body.currency().strip(),
                body.version() + 1);
        AccountReader.Practice kept = Versioned.write(
                sent,
                accounts.practice(who.practiceId()),
                AccountReader.Practice::version,
                () -> {
                    throw new IllegalStateException("a practice is there before its settings");
                },
                () -> accounts.updatePractice(sent),
                "practice");
        happenings.publishEvent(Happened.to(who, "put", "practice", who.practiceId(), kept.name()));
        return shown(kept);
    }

    private static Shown shown(AccountReader.Practice row) {
        return new Shown(row.id(), row.name(), row.sheetSchool(), row.hemisphere(), row.currency(), row.version());
    }

    /** A practice that was made, and where its first owner begins. */
    @Schema(name = "NewPractice")
    record NewPractice(UUID id, Invitation.Shown owner) {}

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
        UUID practice = UUID.randomUUID();
        accounts.insertPractice(practice, body.name().strip(), clock.instant());
        happenings.publishEvent(
                Happened.to(who, "put", "practice", practice, body.name().strip()));
        return new NewPractice(
                practice,
                invitations.invite(who, practice, "ownerEmail", body.ownerEmail(), body.ownerName(), Role.OWNER, null));
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
