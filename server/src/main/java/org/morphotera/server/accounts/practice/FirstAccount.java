package org.morphotera.server.accounts.practice;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.UUID;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.Person;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.accounts.session.SignIns;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Gives an empty database its first practice and advisor, so that someone can sign in. */
@Component
@Order(10)
class FirstAccount implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(FirstAccount.class);

    private final AccountMapper accounts;
    private final PasswordEncoder encoder;
    private final Clock clock;
    private final String email;
    private final String practice;
    private final String password;
    private final boolean keepPassword;

    FirstAccount(
            AccountMapper accounts,
            PasswordEncoder encoder,
            Clock clock,
            @Value("${morphotera.first-account.email}") String email,
            @Value("${morphotera.first-account.practice}") String practice,
            @Value("${morphotera.first-account.password}") String password,
            @Value("${morphotera.first-account.keep-password}") boolean keepPassword) {
        this.accounts = accounts;
        this.encoder = encoder;
        this.clock = clock;
        this.email = email;
        this.practice = practice;
        this.password = password;
        this.keepPassword = keepPassword;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments arguments) {
        if (accounts.countPersons() > 0) {
            return;
        }
        String first = password.isBlank() ? madeUp() : password;
        UUID practiceId = UUID.randomUUID();
        accounts.insertPractice(practiceId, practice, clock.instant());
        accounts.insertPerson(Person.begin(
                UUID.randomUUID(),
                practiceId,
                SignIns.plain(email),
                "Owner",
                Role.OWNER,
                encoder.encode(first),
                null,
                !keepPassword));
        if (password.isBlank()) {
            LOG.info("first sign-in: {} with password {}", email, first);
        }
    }

    private static String madeUp() {
        byte[] random = new byte[12];
        new SecureRandom().nextBytes(random);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(random);
    }
}
