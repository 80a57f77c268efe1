package org.morphotera.server.accounts.session;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.Person;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.authentication.WebAuthenticationDetails;

/** Looks at an address, a password and, where the person wants that, a code. */
public class SignIns extends DaoAuthenticationProvider {

    /** The password is right; a code is asked for, or the one given is wrong. */
    static final class CodeNeeded extends BadCredentialsException {

        private static final long serialVersionUID = 1L;

        private final boolean wrong;

        CodeNeeded(boolean wrong) {
            super("a code is needed");
            this.wrong = wrong;
        }

        boolean isWrong() {
            return wrong;
        }
    }

    /** What comes with a sign-in beside the password. */
    static final class Details extends WebAuthenticationDetails {

        private static final long serialVersionUID = 1L;

        private final transient @Nullable String code;

        Details(HttpServletRequest request) {
            super(request);
            this.code = request.getParameter("code");
        }
    }

    private final AccountMapper accounts;
    private final Authenticator authenticator;

    SignIns(UserDetailsService people, AccountMapper accounts, PasswordEncoder encoder, Authenticator authenticator) {
        super(people);
        setPasswordEncoder(encoder);
        this.accounts = accounts;
        this.authenticator = authenticator;
    }

    /** An address as it is looked up: however it was typed. */
    public static String plain(String email) {
        return email.strip().toLowerCase(Locale.ROOT);
    }

    @Override
    protected void additionalAuthenticationChecks(UserDetails found, UsernamePasswordAuthenticationToken given) {
        super.additionalAuthenticationChecks(found, given);
        Person person = accounts.byId(((Advisor) found).id());
        if (person.secondFactor() == null) {
            return;
        }
        String code = given.getDetails() instanceof Details details ? details.code : null;
        if (code == null || code.isBlank()) {
            throw new CodeNeeded(false);
        }
        if (!authenticator.take(person, code)) {
            throw new CodeNeeded(true);
        }
    }
}
