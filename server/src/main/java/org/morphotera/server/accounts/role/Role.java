package org.morphotera.server.accounts.role;

import java.util.Locale;

/** What somebody may do in a practice; each may do more than the one before, but for what is a grower's or helper's own. */
public enum Role {
    /** Reads reports and plans of the own fields. */
    GROWER,
    /** Records at visits that were given to them. */
    HELPER,
    /** Does all the work. */
    ADVISOR,
    /** Also decides on people and settings. */
    OWNER;

    /** As it is said in a sentence. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether only some of the practice's fields are theirs to see. */
    public boolean limited() {
        return this == GROWER || this == HELPER;
    }
}
