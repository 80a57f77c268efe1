package org.morphotera.server.indicators;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.server.fields.ManagementEvent;

/** What something done to a field has made old: readings before it, of the properties it changes, where it was done. */
public final class Outdated {

    private final List<ManagementEvent> events;
    private final EvidenceTables tables;

    /** @param tables that say which event changes which property */
    public Outdated(List<ManagementEvent> events, EvidenceTables tables) {
        this.events = List.copyOf(events);
        this.tables = tables;
    }

    /** Whether a reading of a property at a stop says nothing any more. */
    public boolean is(String property, UUID stop, Instant takenAt) {
        return events.stream()
                .filter(event -> tables.changedBy(event.kind()).contains(property))
                .filter(event -> event.stopIds() == null || event.stopIds().contains(stop))
                .anyMatch(event -> takenAt.atZone(ZoneOffset.UTC).toLocalDate().isBefore(event.happenedOn()));
    }
}
