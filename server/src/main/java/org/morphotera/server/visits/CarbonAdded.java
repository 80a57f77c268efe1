package org.morphotera.server.visits;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.plan.Additions;
import org.morphotera.core.soil.Season;
import org.morphotera.server.accounts.AccountReader;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.springframework.stereotype.Component;

/** What was brought onto a field and still matters to the readings of a day, and the season they fall into. */
@Component
public class CarbonAdded {

    private final FieldReader fields;
    private final VisitMapper visits;
    private final AccountReader accounts;
    private final Additions additions;

    CarbonAdded(FieldReader fields, VisitMapper visits, AccountReader accounts, Benchmarks benchmarks) {
        this.accounts = accounts;
        this.fields = fields;
        this.visits = visits;
        this.additions = new Additions(benchmarks);
    }

    /** Whether fresh carbon came in last autumn: by an event, else as said on the visit; {@code null} where unknown. */
    @Nullable
    Boolean said(UUID practice, Visit visit, Field field) {
        boolean south = south(practice, fields.stops(practice, field.id()));
        boolean event = fields.events(practice, field.id()).stream()
                .anyMatch(each -> additions.carbonLastAutumn(each.kind(), each.happenedOn(), visit.visitedOn(), south));
        return event ? Boolean.TRUE : visit.carbonAdded();
    }

    /** As of the newest visit; {@code null} where unknown. */
    public @Nullable Boolean latest(UUID practice, Field field) {
        Visit newest = visits.newest(practice, field.id());
        return newest == null ? null : said(practice, newest, field);
    }

    boolean biochar(UUID practice, Visit visit) {
        return fields.events(practice, visit.fieldId()).stream()
                .anyMatch(each -> additions.biocharOfLate(each.kind(), each.happenedOn(), visit.visitedOn()));
    }

    /** Season by month, on the hemisphere of the stops, else of the practice's other stops; else the one in its settings. */
    Season season(UUID practice, LocalDate day, List<Stop> stops) {
        return Season.ofMonth(day.getMonthValue(), south(practice, stops));
    }

    private boolean south(UUID practice, List<Stop> stops) {
        if (stops.stream().anyMatch(stop -> stop.latitude() != null)) {
            return stops.stream().anyMatch(stop -> stop.latitude() != null && stop.latitude() < 0);
        }
        Double latitude = fields.latitude(practice);
        return latitude == null ? "south".equals(accounts.practice(practice).hemisphere()) : latitude < 0;
    }
}
