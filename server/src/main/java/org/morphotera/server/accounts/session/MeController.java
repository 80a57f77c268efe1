package org.morphotera.server.accounts.session;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.OptionalLong;
import java.util.UUID;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.Invitations;
import org.morphotera.server.accounts.people.Person;
import org.morphotera.server.accounts.practice.Happened;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.NotFoundException;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.ScanCode;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
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

/** A person's own password, authenticator and open sessions. */
@RestController
@RequiresRole(Role.GROWER)
class MeController {

    /** @param current the password until now */
    @Schema(name = "PasswordChange")
    record PasswordChange(
            @NotNull @Size(max = 200) String current,
            @NotNull @Size(max = 200) String next) {}

    @Schema(name = "PasswordProof")
    record Proof(@NotNull @Size(max = 200) String password) {}

    /**
     * A secret for an authenticator, not in use yet.
     *
     * @param drawing of the address, to scan: SVG
     */
    @Schema(name = "NewAuthenticator")
    record NewAuthenticator(String secret, String address, String drawing) {}

    /** @param code what the authenticator shows, so that nobody is locked out by one that was not scanned right */
    @Schema(name = "AuthenticatorProof")
    record AuthenticatorProof(
            @NotNull @Pattern(regexp = "[A-Z2-7]{32}", message = "must be the secret that was given")
            String secret,

            @NotNull @Size(max = 20) String code,
            @NotNull @Size(max = 200) String password) {}

    /** Codes for when the authenticator is lost; each works once, and they are shown this once. */
    @Schema(name = "RecoveryCodes")
    record RecoveryCodes(List<String> codes) {}

    private final AccountMapper accounts;
    private final PasswordEncoder encoder;
    private final PasswordRules rules;
    private final Authenticator authenticator;
    private final OpenSessions sessions;
    private final Invitations invitations;
    private final ApplicationEventPublisher happenings;
    private final SecurityContextRepository contexts = new HttpSessionSecurityContextRepository();

    MeController(
            AccountMapper accounts,
            PasswordEncoder encoder,
            PasswordRules rules,
            Authenticator authenticator,
            OpenSessions sessions,
            Invitations invitations,
            ApplicationEventPublisher happenings) {
        this.accounts = accounts;
        this.encoder = encoder;
        this.rules = rules;
        this.authenticator = authenticator;
        this.sessions = sessions;
        this.invitations = invitations;
        this.happenings = happenings;
    }

    /** Ends every other session of the person. */
    @PutMapping("/api/me/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void changePassword(
            @AuthenticationPrincipal Advisor who,
            @RequestBody @Validated PasswordChange body,
            HttpServletRequest request,
            HttpServletResponse response) {
        Person person = requirePassword(who, body.current(), "current");
        rules.require("next", body.next(), List.of(person.email(), person.name()));
        if (encoder.matches(body.next(), person.passwordHash())) {
            throw RefusedException.of("next", "THE_SAME", "This is the one you have. Choose another.");
        }
        accounts.changePassword(who.id(), encoder.encode(body.next()));
        invitations.endOf(who.id());
        happenings.publishEvent(Happened.to(who, "put", "password", who.id(), null));
        goOn(who.id(), request, response);
    }

    private Person requirePassword(Advisor who, String password, String field) {
        Person person = accounts.byId(who.id());
        if (!encoder.matches(password, person.passwordHash())) {
            throw RefusedException.of(field, "WRONG", "This is not your password.");
        }
        return person;
    }

    /** What changed ends all sessions; this one goes on as the person is now, under another id. */
    private void goOn(UUID id, HttpServletRequest request, HttpServletResponse response) {
        Advisor now = new Advisor(accounts.byId(id));
        now.eraseCredentials();
        // the store knows it by this id until the answer is sent
        String before = request.getSession().getId();
        request.changeSessionId();
        SecurityContextImpl context = new SecurityContextImpl(
                UsernamePasswordAuthenticationToken.authenticated(now, null, now.getAuthorities()));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        sessions.endAll(now.getUsername(), before);
    }

    /** A new secret to scan; nothing changes before a code of it was given. */
    @PostMapping("/api/me/authenticator")
    NewAuthenticator newAuthenticator(@AuthenticationPrincipal Advisor who) {
        String secret = Authenticator.secret();
        String address = Authenticator.address(secret, who.getUsername());
        return new NewAuthenticator(secret, address, ScanCode.svg(address, 180));
    }

    /** From now on a sign-in asks for its codes. */
    @PutMapping("/api/me/authenticator")
    @Transactional
    RecoveryCodes useAuthenticator(
            @AuthenticationPrincipal Advisor who,
            @RequestBody @Validated AuthenticatorProof body,
            HttpServletRequest request,
            HttpServletResponse response) {
        requirePassword(who, body.password(), "password");
        OptionalLong step = authenticator.step(body.secret(), body.code());
        if (step.isEmpty()) {
            throw RefusedException.of(
                    "code",
                    "WRONG",
                    "This is not what it shows now. Wait for the next code, and see that the phone's clock is right.");
        }
        List<String> codes = Authenticator.recoveryCodes();
        accounts.changeFactor(who.id(), body.secret(), step.getAsLong(), Authenticator.hashes(codes));
        happenings.publishEvent(Happened.to(who, "put", "authenticator", who.id(), null));
        goOn(who.id(), request, response);
        return new RecoveryCodes(codes);
    }

    /** Sign-ins ask for no code any more. */
    @PostMapping("/api/me/authenticator/off")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void leaveAuthenticator(
            @AuthenticationPrincipal Advisor who,
            @RequestBody @Validated Proof body,
            HttpServletRequest request,
            HttpServletResponse response) {
        requirePassword(who, body.password(), "password");
        accounts.changeFactor(who.id(), null, null, null);
        happenings.publishEvent(Happened.to(who, "delete", "authenticator", who.id(), null));
        goOn(who.id(), request, response);
    }

    /** Where the person is signed in, this session first. */
    @GetMapping("/api/sessions")
    List<OpenSessions.Open> sessions(@AuthenticationPrincipal Advisor who, HttpServletRequest request) {
        return sessions.of(who.getUsername(), request.getSession().getId());
    }

    @DeleteMapping("/api/sessions/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void endSession(@AuthenticationPrincipal Advisor who, @PathVariable @Size(max = 64) String id) {
        if (!sessions.end(who.getUsername(), id)) {
            throw new NotFoundException("session");
        }
        happenings.publishEvent(Happened.to(who, "delete", "session", who.id(), null));
    }

    /** Signs the person out everywhere but here. */
    @DeleteMapping("/api/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    void endOtherSessions(@AuthenticationPrincipal Advisor who, HttpServletRequest request) {
        sessions.endAll(who.getUsername(), request.getSession().getId());
        happenings.publishEvent(Happened.to(who, "delete", "sessions", who.id(), null));
    }
}
