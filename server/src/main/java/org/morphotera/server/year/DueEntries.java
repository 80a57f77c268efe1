package org.morphotera.server.year;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.text.Messages;
import org.morphotera.server.faces.Faces;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Works out what the coming year asks for of a practice; also for its calendar. */
@Component
public class DueEntries {

    /** Why something is due. */
    enum Kind implements Coded {
        /** A field is to be seen again, since what holds it back changes, or as routine. */
        VISIT,
        /** Something agreed is to be done. */
        ACTION,
        /** Something done is to be tested. */
        FOLLOW_UP
    }

    private static final int MONTHS = 14;

    private final YearMapper rows;
    private final JsonMapper json;
    private final Messages messages;
    private final Clock clock;

    DueEntries(YearMapper rows, JsonMapper json, Messages messages, Clock clock) {
        this.rows = rows;
        this.json = json;
        this.messages = messages;
        this.clock = clock;
    }

    /** In the order of their days. */
    public List<DueEntry> of(UUID practice) {
        LocalDate today = LocalDate.now(clock);
        LocalDate until = today.plusMonths(MONTHS);
        List<DueEntry> entries = new ArrayList<>();
        for (YearMapper.FieldRow row : rows.fields(practice, until)) {
            Faces.FieldStrip strip =
                    row.content() == null ? null : json.readValue(row.content(), Faces.FieldStrip.class);
            String what = strip == null || strip.limit() == null
                    ? messages.text("year.routine")
                    : messages.text(
                            List.of("year.limit"), Map.of("limit", strip.limit().label()));
            entries.add(entry(row.fieldId(), Kind.VISIT, row.dueOn(), null, today, row.fieldId(), row.field(), what));
        }
        for (YearMapper.ActionRow row : rows.actions(practice, until)) {
            String name = messages.text("action." + row.kind());
            if (row.state().equals("agreed")) {
                LocalDate from = row.dueFrom() != null ? row.dueFrom() : row.dueTo();
                String what = row.amount() == null ? name : name + ": " + row.amount();
                entries.add(entry(row.id(), Kind.ACTION, from, row.dueTo(), today, row.fieldId(), row.field(), what));
            } else if (row.lastVisit() == null || row.lastVisit().isBefore(row.followUpOn())) {
                String what = row.followUp() == null ? name : row.followUp();
                entries.add(entry(
                        row.id(), Kind.FOLLOW_UP, row.followUpOn(), null, today, row.fieldId(), row.field(), what));
            }
        }
        entries.sort(Comparator.comparing(DueEntry::on)
                .thenComparing(DueEntry::field)
                .thenComparing(DueEntry::kind));
        return entries;
    }

    private static DueEntry entry(
            UUID id,
            Kind kind,
            LocalDate on,
            @Nullable LocalDate until,
            LocalDate today,
            UUID fieldId,
            String field,
            String what) {
        boolean overdue = (until == null ? on : until).isBefore(today);
        return new DueEntry(id, kind.code(), on, until, overdue, fieldId, field, what);
    }
}
