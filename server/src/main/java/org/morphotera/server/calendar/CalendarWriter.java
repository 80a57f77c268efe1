package org.morphotera.server.calendar;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.Temporal;
import java.util.UUID;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Categories;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.RefreshInterval;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableTransp;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.year.DueEntries;
import org.morphotera.server.year.DueEntry;
import org.springframework.stereotype.Component;

/** What is due in a practice as an iCalendar (RFC 5545): retests, planned work, planned days, moments of running clocks. */
@Component
class CalendarWriter {

    private static final Duration CLOCK_STEP = Duration.ofMinutes(10);

    private final CalendarMapper rows;
    private final DueEntries due;
    private final AccountReader accounts;
    private final Messages messages;
    private final Clock clock;

    CalendarWriter(CalendarMapper rows, DueEntries due, AccountReader accounts, Messages messages, Clock clock) {
        this.rows = rows;
        this.due = due;
        this.accounts = accounts;
        this.messages = messages;
        this.clock = clock;
    }

    String write(UUID practice) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Morphotera//Soil health//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        calendar.add(new XProperty("X-WR-CALNAME", "Soil: " + accounts.practiceName(practice)));
        calendar.add(new RefreshInterval(new net.fortuna.ical4j.model.ParameterList(), Duration.ofHours(1)));
        for (DueEntry each : due.of(practice)) {
            LocalDate last = each.until() == null || each.until().isBefore(each.on()) ? each.on() : each.until();
            add(
                    calendar,
                    each.kind() + "-" + each.id(),
                    each.on(),
                    last.plusDays(1),
                    each.field() + ": " + each.what(),
                    messages.text("calendar." + each.kind()));
        }
        for (CalendarMapper.DayRow day :
                rows.days(practice, LocalDate.now(clock).minusDays(1))) {
            add(
                    calendar,
                    "day-" + day.id(),
                    day.plannedOn(),
                    day.plannedOn().plusDays(1),
                    messages.text("calendar.day"),
                    messages.text("calendar.day"));
        }
        for (CalendarMapper.ClockRow step : rows.clocks(practice)) {
            add(
                    calendar,
                    "clock-" + step.id(),
                    step.dueAt().truncatedTo(ChronoUnit.SECONDS),
                    step.dueAt().truncatedTo(ChronoUnit.SECONDS).plus(CLOCK_STEP),
                    step.field() + ", " + step.stop() + ": " + messages.text(step.method() + ".timed." + step.code()),
                    messages.text("calendar.clock"));
        }
        return calendar.toString();
    }

    private void add(Calendar to, String uid, Temporal from, Temporal until, String what, String category) {
        VEvent event = new VEvent(from, until, what);
        event.removeAll(net.fortuna.ical4j.model.Property.DTSTAMP);
        event.add(new DtStamp(clock.instant().truncatedTo(ChronoUnit.SECONDS)));
        event.add(new Uid(uid + "@morphotera"));
        event.add(new Description(what));
        event.add(new Categories(category));
        event.add(ImmutableTransp.TRANSPARENT);
        to.add(event);
    }
}
