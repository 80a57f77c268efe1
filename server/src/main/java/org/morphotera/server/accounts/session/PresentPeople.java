package org.morphotera.server.accounts.session;

import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.springframework.stereotype.Component;

/** Whether somebody who signed in may still go on, as things stand at this moment. */
@Component
public class PresentPeople {

    private final AccountMapper accounts;

    PresentPeople(AccountMapper accounts) {
        this.accounts = accounts;
    }

    /** How things stand with them; {@code null} where what they signed in to has ended. */
    AccountMapper.@Nullable Status of(Advisor signedIn) {
        AccountMapper.Status now = accounts.status(signedIn.id());
        boolean ended = now == null
                || now.removedAt() != null
                || now.closedAt() != null
                || now.signInVersion() != signedIn.signInVersion();
        return ended ? null : now;
    }

    /** Whether their sign-in still holds: for what goes on after its request was let in. */
    public boolean goesOn(Advisor signedIn) {
        return of(signedIn) != null;
    }
}
