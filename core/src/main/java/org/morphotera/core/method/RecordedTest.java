package org.morphotera.core.method;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.ParsedFields;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/**
 * A test as it was entered and evaluated, and what it shows. Its readings are parsed once; where they no longer keep the
 * method's limits, what is wrong in them counts as not read.
 *
 * @param <R> the method's readings
 */
public final class RecordedTest<R extends Record> {

    private final Evidence<R> evidence;
    private final R readings;
    private final Envelope envelope;
    private final DepthLayer layer;

    private RecordedTest(FieldMethod<R> method, Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        this.evidence = method.evidence();
        this.readings =
                ParsedFields.read("", readings, method::read, new Faults()).value();
        this.envelope = envelope;
        this.layer = layer;
    }

    /**
     * @param readings plain tree as it was entered
     * @param layer that was sampled, or {@code null}
     */
    public static RecordedTest<?> of(
            FieldMethod<?> method, Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return new RecordedTest<>(method, readings, envelope, layer);
    }

    /** What it shows, with where it comes from and all that may make it count less. */
    public List<Sighting> sightings() {
        Set<String> marks = new LinkedHashSet<>();
        envelope.notes().forEach(note -> marks.add(note.code()));
        String kind = kind();
        if (kind != null) {
            marks.add(kind);
        }
        Source source = source();
        return evidence.sightings(readings, envelope, layer).stream()
                .map(each -> each.with(source, marks))
                .toList();
    }

    /** What it saw that can be drawn in the ground. */
    public List<GroundMark> marks() {
        return evidence.marks(readings, envelope, layer);
    }

    /** Code of the instrument, key or water by which the figure came about; {@code null} where it makes no difference. */
    public String kind() {
        return evidence.kind(readings, envelope);
    }

    /** Where its figure comes from. */
    public Source source() {
        return evidence.source(readings);
    }

    /** The layer that its ratings speak for; {@code null} where none was sampled. */
    public DepthLayer rated() {
        return evidence.rated(readings, layer);
    }

    /** Whether what was read forbids to judge an indicator. */
    public boolean hides(String indicator) {
        return evidence.hides(indicator, envelope);
    }
}
