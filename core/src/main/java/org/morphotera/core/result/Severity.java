package org.morphotera.core.result;

import org.morphotera.core.soil.Coded;

/** How much a note matters: to know, to mind, or a danger to people. */
public enum Severity implements Coded {
    INFO,
    CAUTION,
    DANGER
}
