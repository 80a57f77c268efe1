package org.morphotera.server.measurements;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.RecordedTest;
import org.morphotera.core.score.DepthBand;
import org.morphotera.core.soil.DepthLayer;
import org.springframework.stereotype.Component;

/** What the newest tests of stops saw in the ground, to be drawn. */
@Component
public class GroundMarks {

    private final MeasurementReader rows;
    private final StoredForm form;
    private final MethodRegistry methods;
    private final List<String> drawing;

    GroundMarks(MeasurementReader rows, StoredForm form, MethodRegistry methods) {
        this.rows = rows;
        this.form = form;
        this.methods = methods;
        this.drawing = methods.all().stream()
                .filter(each -> each.evidence().marksGround())
                .map(method -> method.card().id())
                .toList();
    }

    /** What a newer test of the same takes the place of, as on the face: one in the same band. */
    private record Place(UUID stop, String method, DepthBand band) {}

    /**
     * @param stops to be drawn together
     * @param visit to draw that visit alone; {@code null} for the newest of each test
     */
    public List<GroundMark> of(UUID practice, List<UUID> stops, @Nullable UUID visit) {
        Map<Place, UUID> newest = new HashMap<>();
        for (MeasurementReader.TestRow row : tests(practice, stops, visit)) {
            if (drawing.contains(row.method()) && stops.contains(row.stopId())) {
                DepthBand band = DepthBand.ofMiddle(layer(row.depthTopMm(), row.depthBottomMm()));
                newest.put(new Place(row.stopId(), row.method(), band), row.id());
            }
        }
        List<GroundMark> marks = new ArrayList<>();
        for (StoredMeasurement stored :
                newest.isEmpty() ? List.<StoredMeasurement>of() : rows.measurements(practice, newest.values())) {
            Measurement test = form.measurement(stored);
            DepthLayer layer = layer(test.depthTopMm(), test.depthBottomMm());
            marks.addAll(RecordedTest.of(methods.get(test.method()), test.readings(), test.evaluation(), layer)
                    .marks());
        }
        return marks;
    }

    private static @Nullable DepthLayer layer(@Nullable Double topMm, @Nullable Double bottomMm) {
        return topMm == null || bottomMm == null ? null : new DepthLayer(topMm, bottomMm);
    }

    /** Oldest first. */
    private List<MeasurementReader.TestRow> tests(UUID practice, List<UUID> stops, @Nullable UUID visit) {
        return visit != null
                ? rows.testsOf(practice, visit)
                : stops.stream()
                        .flatMap(stop -> rows.testsOfStop(practice, stop, drawing).stream())
                        .toList();
    }
}
