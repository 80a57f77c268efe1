package org.morphotera.server.measurements;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.indicators.Projection;
import org.morphotera.server.methods.Evaluator;
import org.morphotera.server.methods.OwnRules;
import org.morphotera.server.methods.RulesInForce;
import org.morphotera.server.storage.RowBatch;
import org.morphotera.server.visits.Places;
import org.morphotera.server.web.RefusedException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Appends measurements, one or many, in transactions of its caller: each evaluated in the context of its place, its row
 * written with what it shows, and the newest of each stop marked. Of many, a thousand are written at a time, and which of
 * them are the newest is worked out once for each stop at the end.
 */
@Component
public class MeasurementWriter {

    private static final int AT_ONCE = 1000;

    private static final String INTO_MEASUREMENT =
            "insert into measurement (id, practice_id, field_id, visit_id, stop_id, method, depth_top_mm, depth_bottom_mm, "
                    + "readings, context, evaluation, core_version, benchmarks, taken_at, person_id, supersedes, reason, note, "
                    + "recorded_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)";

    private static final String OF_RUN =
            " from measurement where visit_id = ? and practice_id = ? and person_id = ? and recorded_at = ? "
                    + "and not exists (select 1 from measurement n where n.supersedes = measurement.id)";

    private final JdbcTemplate jdbc;
    private final MethodRegistry methods;
    private final Evaluator evaluator;
    private final Places places;
    private final Projection projection;
    private final StoredForm form;
    private final OwnRules rules;

    MeasurementWriter(
            JdbcTemplate jdbc,
            MethodRegistry methods,
            Evaluator evaluator,
            Places places,
            Projection projection,
            StoredForm form,
            OwnRules rules) {
        this.jdbc = jdbc;
        this.methods = methods;
        this.evaluator = evaluator;
        this.places = places;
        this.projection = projection;
        this.form = form;
        this.rules = rules;
    }

    /**
     * One test as it comes in.
     *
     * @param supersedes the measurement that it corrects, and {@code reason} why; {@code null} where it corrects none
     */
    public record Reading(
            UUID id,
            UUID visit,
            UUID stop,
            String method,
            @Nullable DepthLayer layer,
            Map<String, Object> readings,
            Instant takenAt,
            @Nullable UUID supersedes,
            @Nullable String reason,
            @Nullable String note) {

        /** One that corrects nothing. */
        public Reading(
                UUID id,
                UUID visit,
                UUID stop,
                String method,
                @Nullable DepthLayer layer,
                Map<String, Object> readings,
                Instant takenAt) {
            this(id, visit, stop, method, layer, readings, takenAt, null, null, null);
        }
    }

    /**
     * A test with its field and context, to be evaluated; and who wants to know if it is refused.
     *
     * @param done what was evaluated at once; {@code null} where that can wait
     */
    private record Waiting(
            Reading reading,
            UUID field,
            Map<String, Object> context,
            Consumer<RefusedException> refused,
            @Nullable Evaluated done) {

        private Waiting with(Evaluated evaluated) {
            return new Waiting(reading, field, context, refused, evaluated);
        }
    }

    /** A test that was evaluated, with its texts as they are kept; or refused. */
    private record Evaluated(
            Waiting of,
            Envelope envelope,
            String readings,
            String context,
            String evaluation,
            Projection.Shown shown,
            RefusedException refused) {}

    /**
     * A test that was appended.
     *
     * @param context in which it was evaluated
     */
    public record Appended(Map<String, Object> context, Envelope evaluation, RulesInForce rules) {}

    /**
     * Appends one test, with what it corrects taken out of the projections and its newest marked.
     *
     * @throws RefusedException naming every fault of the readings
     */
    public Appended append(UUID practice, UUID person, Instant recordedAt, Places.Place place, Reading reading) {
        Run run = new Run(practice, person, recordedAt, true);
        Map<String, Object> context = withLayer(places.context(practice, place), reading.layer());
        Evaluated done = run.evaluated(new Waiting(reading, place.field().id(), context, refused -> {}, null));
        if (done.refused() != null) {
            throw done.refused();
        }
        run.write(List.of(done));
        List<Projection.Shown> changed = new ArrayList<>(List.of(done.shown()));
        if (reading.supersedes() != null) {
            changed.add(projection.remove(practice, reading.supersedes()));
        }
        projection.markNewest(reading.stop(), changed);
        return new Appended(context, done.envelope(), run.stamp);
    }

    private static Map<String, Object> withLayer(Map<String, Object> context, @Nullable DepthLayer layer) {
        Map<String, Object> sampled = new LinkedHashMap<>(context);
        if (layer != null) {
            sampled.put("depthTopMm", layer.topMm());
            sampled.put("depthBottomMm", layer.bottomMm());
        }
        return sampled;
    }

    /** Measurements that are being appended; by one thread, while another evaluates the next. */
    public final class Run {

        private final UUID practice;
        private final UUID person;
        private final OffsetDateTime recordedAt;
        private final RowBatch measurements = new RowBatch(jdbc, INTO_MEASUREMENT);
        private final Projection.Rows projected;
        private final Set<UUID> stops = new HashSet<>();
        private final Map<UUID, UUID> visits = new HashMap<>();
        private final List<Waiting> waiting = new ArrayList<>();
        private CompletableFuture<List<Evaluated>> evaluating;
        private final Places.Memory memory;
        private final Benchmarks benchmarks;
        private final RulesInForce stamp;
        private Places.Place place;
        private Map<String, Object> context;

        private Run(UUID practice, UUID person, Instant recordedAt, boolean latest) {
            this.practice = practice;
            this.person = person;
            this.recordedAt = recordedAt.atOffset(ZoneOffset.UTC);
            memory = places.memory(practice);
            projected = projection.begin(latest);
            OwnRules.InForce inForce = rules.inForce(practice);
            benchmarks = inForce.benchmarks();
            stamp = inForce.stamp();
        }

        /** Stops that were added to. */
        public Set<UUID> stops() {
            return Collections.unmodifiableSet(stops);
        }

        /** Visits that were added to, each with its field. */
        public Map<UUID, UUID> visits() {
            return Collections.unmodifiableMap(visits);
        }

        /**
         * Takes a test in.
         *
         * @param refused is told what is wrong with it, once its turn to be evaluated has come
         */
        public void add(Reading reading, Consumer<RefusedException> refused) {
            Map<String, Object> context = withLayer(context(reading), reading.layer());
            Waiting test = new Waiting(reading, place.field().id(), context, refused, null);
            stops.add(reading.stop());
            visits.put(reading.visit(), place.field().id());
            FieldMethod<?> method = methods.get(reading.method());
            if (PlaceAndDay.ContextReading.mayComeOf(method)) {
                test = test.with(evaluated(test));
                remember(method, test);
            }
            waiting.add(test);
            if (waiting.size() >= AT_ONCE) {
                next();
            }
        }

        /** Later tests of the run are read in the context that this one gives. */
        private void remember(FieldMethod<?> method, Waiting test) {
            Envelope evaluation = test.done().envelope();
            Reading reading = test.reading();
            PlaceAndDay.ContextReading found = evaluation == null
                    ? null
                    : PlaceAndDay.ContextReading.of(
                            method, reading.id().toString(), reading.stop().toString(), reading.takenAt(), evaluation);
            if (found != null) {
                memory.add(found);
            }
            place = null;
        }

        /** Has what waits evaluated by another thread, and writes what was evaluated before. */
        private void next() {
            List<Evaluated> ready = evaluating == null ? List.of() : evaluating.join();
            List<Waiting> now = List.copyOf(waiting);
            waiting.clear();
            evaluating = now.isEmpty()
                    ? null
                    : CompletableFuture.supplyAsync(() -> now.parallelStream()
                            .map(each -> each.done() == null ? evaluated(each) : each.done())
                            .toList());
            write(ready);
        }

        private Evaluated evaluated(Waiting each) {
            Reading reading = each.reading();
            try {
                Envelope evaluation =
                        evaluator.evaluate(benchmarks, reading.method(), reading.readings(), each.context());
                Projection.Shown shown = projection.shown(
                        reading.id(),
                        new Projection.Place(
                                practice,
                                each.field(),
                                reading.visit(),
                                reading.stop(),
                                reading.layer(),
                                reading.takenAt()),
                        reading.readings(),
                        evaluation);
                return new Evaluated(
                        each,
                        evaluation,
                        form.text(reading.readings()),
                        form.text(each.context()),
                        form.text(evaluation),
                        shown,
                        null);
            } catch (RefusedException e) {
                return new Evaluated(each, null, null, null, null, null, e);
            }
        }

        /** Of the same stop and visit as the test before, the same. */
        private Map<String, Object> context(Reading reading) {
            if (place == null
                    || !place.visit().id().equals(reading.visit())
                    || !place.stop().id().equals(reading.stop())) {
                place = memory.require(reading.visit(), reading.stop());
                context = memory.context();
            }
            return context;
        }

        private void write(List<Evaluated> ready) {
            for (Evaluated each : ready) {
                if (each.refused() == null) {
                    keep(each);
                } else {
                    each.of().refused().accept(each.refused());
                }
            }
            measurements.write();
            projected.write();
        }

        private void keep(Evaluated done) {
            Reading reading = done.of().reading();
            UUID field = done.of().field();
            measurements.add(
                    reading.id(),
                    practice,
                    field,
                    reading.visit(),
                    reading.stop(),
                    reading.method(),
                    reading.layer() == null ? null : reading.layer().topMm(),
                    reading.layer() == null ? null : reading.layer().bottomMm(),
                    done.readings(),
                    done.context(),
                    done.evaluation(),
                    stamp.version(),
                    stamp.benchmarks(),
                    reading.takenAt().atOffset(ZoneOffset.UTC),
                    person,
                    reading.supersedes(),
                    reading.reason(),
                    reading.note(),
                    recordedAt);
            projected.add(practice, field, done.shown());
        }

        /** Writes all that was taken in so far, in the transaction that is open. */
        public void flush() {
            next();
            if (evaluating != null) {
                next();
            }
        }
    }

    /**
     * Begins; everything is done in the transactions that the caller has open.
     *
     * @param recordedAt of all that is appended
     */
    public Run begin(UUID practice, UUID person, Instant recordedAt) {
        return new Run(practice, person, recordedAt, false);
    }

    /** Marks the newest of a stop among all that is written: once it was added to, or taken from. */
    public void markNewest(UUID stop) {
        projection.markNewest(stop);
    }

    /**
     * Takes back what was appended to a visit by one run, but for what was corrected since.
     *
     * @param recordedAt the moment of recording that only this run has
     * @return how many tests
     */
    public int takeBack(UUID practice, UUID visit, UUID person, Instant recordedAt) {
        Object[] of = {visit, practice, person, recordedAt.atOffset(ZoneOffset.UTC)};
        jdbc.update("delete from indicator_value where measurement_id in (select id" + OF_RUN + ")", of);
        jdbc.update("delete from sighting where measurement_id in (select id" + OF_RUN + ")", of);
        return jdbc.update("delete" + OF_RUN, of);
    }

    /** Readings of tests of the practice that are there already, by their ids. */
    public Map<UUID, String> known(UUID practice, List<UUID> ids) {
        Map<UUID, String> known = new HashMap<>();
        if (!ids.isEmpty()) {
            String marks = String.join(", ", Collections.nCopies(ids.size(), "?"));
            List<Object> arguments = new ArrayList<>(ids);
            arguments.add(practice);
            jdbc.query(
                    "select id, readings from measurement where id in (" + marks + ") and practice_id = ?",
                    row -> {
                        known.put(row.getObject(1, UUID.class), row.getString(2));
                    },
                    arguments.toArray());
        }
        return known;
    }
}
