package org.morphotera.server.accounts.role;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** The least role that a call asks for; on a method, in place of what stands on its class. What declares none is refused. */
@Target({ElementType.TYPE, ElementType.METHOD})
@Retention(RetentionPolicy.RUNTIME)
public @interface RequiresRole {

    Role value();

    /** Lesser roles that may call it too, each for what is theirs: the call itself looks at that with {@link AccessScope}. */
    Role[] also() default {};
}
