package org.morphotera.server.accounts;

import java.io.Serial;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.morphotera.server.accounts.people.Person;
import org.morphotera.server.accounts.role.Role;
import org.springframework.security.core.CredentialsContainer;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * The signed-in person, as every controller sees them: who they are and to which practice all they touch belongs.
 * Stored with the session, by this name: a server of a newer version reads the sessions of the one before.
 */
public final class Advisor implements UserDetails, CredentialsContainer {

    @Serial
    private static final long serialVersionUID = 1L;

    private final UUID id;
    private final UUID practiceId;
    private final String email;
    private final String role;
    /** Sessions that carry an earlier one than the person's have ended. */
    private final int signInVersion;
    /** As it is now: not stored with the session. */
    private transient String name;
    /** Only while the password is looked at: it is neither kept in the session nor stored with it. */
    private transient String passwordHash;

    public Advisor(Person person) {
        this.id = person.id();
        this.practiceId = person.practiceId();
        this.email = person.email();
        this.role = person.role().name();
        this.signInVersion = person.signInVersion();
        this.name = person.name();
        this.passwordHash = person.passwordHash();
    }

    private Advisor(Advisor before, UUID practiceId, Role role, String name) {
        this.id = before.id;
        this.practiceId = practiceId;
        this.email = before.email;
        this.role = role.name();
        this.signInVersion = before.signInVersion;
        this.name = name;
    }

    /** The same person in the practice, the role and by the name that they have now. */
    public Advisor as(UUID practice, Role present, String called) {
        return new Advisor(this, practice, present, called);
    }

    public String name() {
        return name;
    }

    public Role role() {
        return Role.valueOf(role);
    }

    public int signInVersion() {
        return signInVersion;
    }

    public UUID id() {
        return id;
    }

    public UUID practiceId() {
        return practiceId;
    }

    @Override
    public void eraseCredentials() {
        passwordHash = null;
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_" + role));
    }

    @Override
    public String getPassword() {
        return passwordHash;
    }

    @Override
    public String getUsername() {
        return email;
    }
}
