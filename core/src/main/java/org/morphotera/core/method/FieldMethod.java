package org.morphotera.core.method;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.Scatter;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/**
 * One field test. Stateless and pure: the same readings, context and benchmarks give the same evaluation.
 *
 * @param <R> the method's readings
 */
public interface FieldMethod<R extends Record> {

    MethodCard card();

    /**
     * Names each reading once, with unit, range and need. Called with different {@link Fields} to parse, to describe
     * and to make up readings; so it only constructs, and never computes on what it gets.
     */
    R read(Fields fields);

    /** Adds what single readings can't show: contradictions between them. */
    default void check(R readings, Faults faults) {}

    /** Works out figures, classes, ratings, notes and series from readings that {@link #check} found in order. */
    Evaluation evaluate(R readings, Context context, Benchmarks benchmarks);

    /**
     * What an evaluated test shows in the words of the evidence tables; an empty list for a method that speaks of no
     * constraint.
     *
     * @param readings as they were entered
     * @param layer that was sampled, or {@code null}
     */
    List<Sighting> sightings(Map<String, Object> readings, Envelope envelope, DepthLayer layer);

    /** Whether what it sees is drawn in the ground; no, unless the method says otherwise. */
    default boolean marksGround() {
        return false;
    }

    /** What it saw that can be drawn in the ground; only for one that {@link #marksGround}. */
    default List<GroundMark> marks(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        return List.of();
    }

    /** Where its figure comes from: an instrument, unless the method says otherwise. */
    default Source source(Map<String, Object> readings) {
        return Source.METER;
    }

    /** What an evaluated test shows, with where it comes from and all that may make it count less. */
    default List<Sighting> seen(Map<String, Object> readings, Envelope envelope, DepthLayer layer) {
        Set<String> marks = new LinkedHashSet<>();
        envelope.notes().forEach(note -> marks.add(note.code()));
        String kind = kind(readings, envelope);
        if (kind != null) {
            marks.add(kind);
        }
        Source source = source(readings);
        return sightings(readings, envelope, layer).stream()
                .map(each -> each.with(source, marks))
                .toList();
    }

    /**
     * The layer that its ratings speak for.
     *
     * @param layer that was sampled, or {@code null}
     */
    default DepthLayer rated(Map<String, Object> readings, DepthLayer layer) {
        return layer;
    }

    /** What its picture starts from, draws and goes by. */
    default CaptureGuide capture(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN;
    }

    /**
     * What must be said at once, while entry is still partial: dangers, before anything can be evaluated. The
     * evaluation says the same.
     *
     * @param entered plain tree of what was entered so far, in any state
     */
    default List<Evaluation.Note> warnings(Map<String, Object> entered) {
        return List.of();
    }

    /** The name of the reading that says by which instrument, key or water the figure came about; or {@code null}. */
    default String kindReading() {
        return null;
    }

    /** By which instrument, key or water the figure came about; {@code null} where it makes no difference. */
    default String kind(Map<String, Object> readings, Envelope envelope) {
        return kindReading() != null && readings.get(kindReading()) instanceof String said ? said : null;
    }

    /** Whether figures of two kinds mean other things, so that no change between them can be told. */
    default boolean kindsNeverCompare() {
        return false;
    }

    /** Whether what was read forbids to judge an indicator, such as dispersion in tap water. */
    default boolean hides(String indicator, Envelope envelope) {
        return false;
    }

    /** The code of the class by which it is context for others, as the card names it; {@code null} where it found none. */
    default Object contextCode(Envelope envelope) {
        return envelope.classes().get(card().contextClass());
    }

    /** The layers in which a full visit reads it, the usual one first; empty for what lies above the ground. */
    default List<DepthLayer> layers() {
        MethodCard card = card();
        return card.usualTopMm() == null ? List.of() : List.of(new DepthLayer(card.usualTopMm(), card.usualBottomMm()));
    }

    /**
     * What this test reads on a made-up soil, with the scatter it has.
     *
     * @param topMm top of the layer it is made in, mm; 0 above the ground
     */
    Map<String, Object> simulated(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks);

    /**
     * What is to be seen on a made-up soil while time passes, for a picture that moves: rows by name, each with its
     * {@code seconds}. Empty where the readings say all.
     *
     * @param readings as {@link #simulated} made them up
     */
    default Map<String, List<Map<String, Object>>> passing(Map<String, Object> readings) {
        return Map.of();
    }

    /**
     * Takes from random readings the contradictions that {@link #check} would refuse: sorts what must rise, joins
     * layers, drops one of two readings that exclude each other. For property tests and made-up soils.
     *
     * @param tree readings within their single limits; changed in place
     */
    default void makeSound(Map<String, Object> tree, Random random) {}

    /**
     * The steps of the work with the waits between them: the table {@code work.<id>} of the benchmarks, or one step of
     * the card's minutes where there is none.
     */
    default List<WorkStep> work(Benchmarks benchmarks) {
        return WorkStep.of(card(), benchmarks);
    }

    /** Conditions that must match for two visits to be held against each other: the table {@code alike.<id>}. */
    default Table alike(Benchmarks benchmarks) {
        return benchmarks.table("alike." + card().id());
    }

    /** Where its data files lie: {@code family/id}, beside the class. */
    default String folder() {
        return card().family().folder() + "/" + card().id().replace("-", "");
    }
}
