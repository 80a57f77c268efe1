package org.morphotera.server.viewcache;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Of answers that are kept and given many times: what is sent of one is written and packed the first time only. Such a
 * type never changes once it is made.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
public @interface CachedView {}
