package org.morphotera.server.accounts.session;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.Person;
import org.morphotera.server.accounts.role.OpenToAll;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.web.Starting;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Who is signed in, and how they like figures and light. */
@RestController
@RequiresRole(Role.GROWER)
class SessionController {

    /**
     * @param me absent for nobody
     * @param starting what the server does before anybody can sign in; absent once it is done
     */
    record SessionView(@Nullable Me me, Starting.@Nullable StartStep starting) {}

    /** @param mustChange nothing can be done before a password of one's own is chosen */
    record Me(
            UUID id,
            String name,
            String email,
            String practice,
            String units,
            String theme,
            Role role,
            boolean mustChange,
            boolean authenticator) {}

    record Settings(
            @NotNull @Pattern(regexp = "metric|us", message = "must be metric or us")
            String units,

            @NotNull @Pattern(regexp = "desk|daylight", message = "must be desk or daylight")
            String theme) {}

    private final AccountMapper accounts;
    private final Starting starting;

    SessionController(AccountMapper accounts, Starting starting) {
        this.starting = starting;
        this.accounts = accounts;
    }

    @GetMapping("/api/session")
    @OpenToAll
    SessionView session(@AuthenticationPrincipal Advisor advisor) {
        return new SessionView(advisor == null ? null : me(advisor), starting.now());
    }

    @PutMapping("/api/me/settings")
    @Transactional
    Me change(@AuthenticationPrincipal Advisor advisor, @RequestBody @Validated Settings settings) {
        accounts.updateSettings(advisor.id(), settings.units(), settings.theme());
        return me(advisor);
    }

    private Me me(Advisor advisor) {
        Person person = accounts.byId(advisor.id());
        return new Me(
                person.id(),
                person.name(),
                person.email(),
                accounts.practiceName(person.practiceId()),
                person.units(),
                person.theme(),
                person.role(),
                person.mustChange(),
                person.secondFactor() != null);
    }
}
