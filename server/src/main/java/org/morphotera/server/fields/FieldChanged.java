package org.morphotera.server.fields;

import java.util.UUID;

/** Something that the list of fields shows of a field was written, in the transaction that is under way. */
public record FieldChanged(UUID practice, UUID field) {}
