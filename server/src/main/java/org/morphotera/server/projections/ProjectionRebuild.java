package org.morphotera.server.projections;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.server.indicators.Projection;
import org.morphotera.server.measurements.Measurement;
import org.morphotera.server.measurements.MeasurementReader;
import org.morphotera.server.measurements.StoredForm;
import org.morphotera.server.measurements.StoredMeasurement;
import org.morphotera.server.methods.Evaluator;
import org.morphotera.server.methods.OwnRules;
import org.morphotera.server.visits.VisitChanged;
import org.morphotera.server.web.RefusedException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Makes indicators, sightings and strips again from the measurements that stand, as they were evaluated: after a
 * restored copy, a changed way of projecting, or doubt. Those of a practice with benchmarks of its own are judged by what
 * is in force now. The measurements themselves are not touched.
 */
@Service
public class ProjectionRebuild {

    private static final Logger LOG = LoggerFactory.getLogger(ProjectionRebuild.class);
    private static final int STEPS_TOLD = 20;

    private final MeasurementReader rows;
    private final Projection projection;
    private final StoredForm form;
    private final ApplicationEventPublisher changes;
    private final TransactionTemplate transaction;
    private final Evaluator evaluator;
    private final OwnRules rules;

    ProjectionRebuild(
            MeasurementReader rows,
            Projection projection,
            StoredForm form,
            ApplicationEventPublisher changes,
            TransactionTemplate transaction,
            Evaluator evaluator,
            OwnRules rules) {
        this.evaluator = evaluator;
        this.rules = rules;
        this.rows = rows;
        this.projection = projection;
        this.form = form;
        this.changes = changes;
        this.transaction = transaction;
    }

    /**
     * Field by field, each whole or not at all, so that it can be stopped and begun again.
     *
     * @return how many measurements were projected
     */
    public int run() {
        List<MeasurementReader.Active> fields = rows.active();
        int all = fields.stream().mapToInt(MeasurementReader.Active::count).sum();
        int done = 0;
        int told = 0;
        for (MeasurementReader.Active each : fields) {
            transaction.executeWithoutResult(status -> rebuild(each.practiceId(), each.fieldId()));
            done += each.count();
            int step = (int) ((long) done * STEPS_TOLD / all);
            if (step > told) {
                told = step;
                LOG.info("rebuilt {} of {} measurements ({} %)", done, all, 100L * done / all);
            }
        }
        return done;
    }

    /** Told how far it is: measurements done, of how many. */
    public interface Progress {
        void at(long done, long total);
    }

    /** Those of one practice, field by field. */
    public int run(UUID practice, Progress progress) {
        List<MeasurementReader.Active> fields = rows.active().stream()
                .filter(each -> each.practiceId().equals(practice))
                .toList();
        int all = fields.stream().mapToInt(MeasurementReader.Active::count).sum();
        int done = 0;
        for (MeasurementReader.Active each : fields) {
            progress.at(done, all);
            transaction.executeWithoutResult(status -> rebuild(practice, each.fieldId()));
            done += each.count();
        }
        return done;
    }

    private Envelope judged(UUID practice, boolean own, StoredMeasurement row, Measurement measurement) {
        if (!own) {
            return measurement.evaluation();
        }
        try {
            return evaluator.evaluate(practice, row.method(), measurement.readings(), measurement.context());
        } catch (RefusedException e) {
            // readings that rules of today would not take stay as they were judged
            return measurement.evaluation();
        }
    }

    private void rebuild(UUID practice, UUID field) {
        projection.clear(practice, field);
        boolean own = rules.any(practice);
        Projection.Rows into = projection.begin(false);
        Set<UUID> stops = new LinkedHashSet<>();
        Set<UUID> visits = new LinkedHashSet<>();
        List<StoredMeasurement> stored = rows.activeOf(practice, field);
        stored.parallelStream()
                .map(row -> shown(practice, own, row))
                .toList()
                .forEach(shown -> into.add(practice, field, shown));
        into.write();
        for (StoredMeasurement row : stored) {
            stops.add(row.stopId());
            visits.add(row.visitId());
        }
        stops.forEach(projection::markNewest);
        visits.forEach(visit -> changes.publishEvent(new VisitChanged(practice, field, visit)));
    }

    private Projection.Shown shown(UUID practice, boolean own, StoredMeasurement row) {
        Measurement measurement = form.measurement(row);
        DepthLayer layer = row.depthTopMm() == null || row.depthBottomMm() == null
                ? null
                : new DepthLayer(row.depthTopMm(), row.depthBottomMm());
        return projection.shown(
                row.id(),
                new Projection.Place(practice, row.fieldId(), row.visitId(), row.stopId(), layer, row.takenAt()),
                measurement.readings(),
                judged(practice, own, row, measurement));
    }
}
