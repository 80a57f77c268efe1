package org.morphotera.browser;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.Calculators;
import org.morphotera.core.Methods;
import org.morphotera.core.PhotoKinds;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.context.Additions;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.core.day.DayCourse;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.photo.Card;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.PhotoReadings;
import org.morphotera.core.photo.Picture;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.plan.calculator.Amount;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.request.Judgements;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.schedule.Conditions;
import org.morphotera.core.soil.Season;
import org.morphotera.core.text.Messages;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.training.TrainingGround;
import org.teavm.jso.JSExport;
import org.teavm.jso.typedarrays.Uint8ClampedArray;

/** What the page calls. It hands in the data files once, then evaluates as often as it likes. */
public final class PageCore {

    private static final MethodRegistry METHODS = Methods.all();
    private static final CalculatorRegistry CALCULATORS = Calculators.ofPage(METHODS);
    private static final PhotoReadings PHOTOS = PhotoKinds.all();

    private static Benchmarks benchmarks;
    private static Messages messages;
    private static TrainingGround training;
    private static Judgements judgements;

    /** So many days are remembered as they were meant: planning one takes a part of a second. */
    private static final int MOST_DAYS = 12;

    private static final Map<Map<String, Object>, Evaluation> DAYS_MEANT = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Map<String, Object>, Evaluation> eldest) {
            return size() > MOST_DAYS;
        }
    };

    private PageCore() {}

    /** The module has no start of its own: everything happens through the exports. */
    public static void main(String[] args) {
        // nothing to start
    }

    /**
     * Takes the data files in force.
     *
     * @param benchmarkFiles JSON object: text by file name
     * @param messageFiles JSON object: text by file name
     */
    @JSExport
    public static void open(String benchmarkFiles, String messageFiles) {
        benchmarks = Benchmarks.parse(texts(benchmarkFiles));
        messages = Messages.parse(texts(messageFiles));
    }

    /**
     * Takes the evidence tables in force, which only the training ground and judgements need.
     *
     * @param evidenceFiles JSON object: text by file name
     */
    @JSExport
    public static void openTraining(String evidenceFiles) {
        EvidenceTables evidence = EvidenceTables.parse(texts(evidenceFiles));
        training = new TrainingGround(METHODS, benchmarks, evidence, messages);
        judgements = new Judgements(METHODS, CALCULATORS, benchmarks, evidence, messages);
    }

    /**
     * Judges a field that is sent whole, as the server does; after {@link #openTraining}, which hands in the evidence.
     *
     * @return the answer, or an object with {@code errors}
     */
    @JSExport
    public static String judge(String bodyJson) {
        Judgements.Result result = judgements.judge(JsonTree.parse(bodyJson));
        return result.answer() == null
                ? answer(new Outcome.Refused(result.faults()))
                : JsonTree.write(JudgementTree.of(result.answer()));
    }

    /** A made-up place as the learner finds it; see {@link TrainingGround#deal}. */
    @JSExport
    public static String deal(String dealJson) {
        return JsonTree.write(training.deal(JsonTree.parse(dealJson)));
    }

    /** What a test shows there; see {@link TrainingGround#scene}. */
    @JSExport
    public static String scene(String dealJson, String method, double topMm) {
        return JsonTree.write(training.scene(JsonTree.parse(dealJson), method, topMm));
    }

    /**
     * What a round comes to; see {@link TrainingGround#verdict}.
     *
     * @param roundJson {@code deal}, {@code made}, {@code named?}, {@code action?}
     */
    @JSExport
    public static String verdict(String roundJson) {
        Map<?, ?> round = (Map<?, ?>) JsonTree.parse(roundJson);
        return JsonTree.write(
                training.verdict(round.get("deal"), (List<?>) round.get("made"), (String) round.get("named"), (String)
                        round.get("action")));
    }

    private static Map<String, String> texts(String json) {
        Map<String, String> texts = new LinkedHashMap<>();
        ((Map<?, ?>) JsonTree.parse(json)).forEach((file, text) -> texts.put((String) file, (String) text));
        return texts;
    }

    /**
     * Evaluates a request body.
     *
     * @return the envelope, or an object with {@code errors} in the form of the API's problem answers
     */
    @JSExport
    public static String evaluate(String method, String bodyJson) {
        return answer(METHODS.evaluate(method, JsonTree.parse(bodyJson), benchmarks));
    }

    /**
     * What must be said at once while a test is still being entered.
     *
     * @param readingsJson readings in any state
     * @return a list of notes
     */
    @JSExport
    public static String warnings(String method, String readingsJson) {
        List<Envelope.NoteText> notes = METHODS.warnings(method, JsonTree.parse(readingsJson), messages);
        return JsonTree.write(notes.stream().map(PageCore::note).toList());
    }

    /** Works a calculator's request body out; the answer is as that of {@link #evaluate}. */
    @JSExport
    public static String workOut(String calculator, String bodyJson) {
        return answer(CALCULATORS.evaluate(calculator, JsonTree.parse(bodyJson), benchmarks));
    }

    /** A day of work as it stands; see {@link DayCourse#of}. */
    @JSExport
    public static String dayCourse(String askedJson) {
        return JsonTree.write(
                DayCourse.of((Map<?, ?>) JsonTree.parse(askedJson), METHODS, CALCULATORS, benchmarks, DAYS_MEANT));
    }

    /**
     * What a calculator's answer comes to, in a few words.
     *
     * @param answerJson the envelope
     * @param garden to speak of 10 m² and litres
     * @param us in US customary units
     * @return the words; empty where the answer is no amount
     */
    @JSExport
    public static String amount(String calculator, String answerJson, boolean garden, boolean us) {
        String words = Amount.of(
                calculator, envelope((Map<?, ?>) JsonTree.parse(answerJson)), garden, ShownUnits.of(us), messages);
        return words == null ? "" : words;
    }

    /**
     * Looks at one picture.
     *
     * @param rgba its points from the top left, four bytes each
     * @return the envelope with a {@code proposal}, or an object with {@code errors}
     */
    @JSExport
    public static String look(String kind, String inputsJson, Uint8ClampedArray rgba, int width) {
        return proposal(kind, inputsJson, List.of(PagePicture.read(rgba, width)));
    }

    /** Looks at a picture from before and one from after; see {@link #look}. */
    @JSExport
    public static String lookAtBoth(
            String kind,
            String inputsJson,
            Uint8ClampedArray before,
            int widthBefore,
            Uint8ClampedArray after,
            int widthAfter) {
        return proposal(
                kind, inputsJson, List.of(PagePicture.read(before, widthBefore), PagePicture.read(after, widthAfter)));
    }

    /**
     * The picture as if taken from straight above the printed card.
     *
     * @return {@code null} where no card is to be seen whole; told is where the card's places lie on it
     */
    @JSExport
    public static PagePicture straightened(Uint8ClampedArray rgba, int width) {
        Card card = Card.find(PagePicture.read(rgba, width));
        return card == null ? null : PagePicture.of(card.straight(), JsonTree.write(card.told()));
    }

    /**
     * A picture of what a test reads, drawn.
     *
     * @param kind of the reading from pictures
     * @param readingsJson readings of its method
     * @param seed the same draws the same
     * @param which 0 for the only picture, or the one before; 1 for the one after
     */
    @JSExport
    public static PagePicture drawnPhoto(String kind, String readingsJson, int seed, int which) {
        Map<String, Object> readings = new LinkedHashMap<>();
        ((Map<?, ?>) JsonTree.parse(readingsJson)).forEach((name, value) -> readings.put((String) name, value));
        Random chance = new Random(seed);
        List<Drawn> drawn = PHOTOS.of(kind).draw(readings, Taken.USUALLY, chance::nextDouble);
        return PagePicture.of(drawn.get(which).picture(), "{}");
    }

    private static String proposal(String kind, String inputsJson, List<Picture> pictures) {
        PhotoReading.Answer answer = PHOTOS.propose(kind, JsonTree.parse(inputsJson), pictures);
        if (answer instanceof PhotoReading.Answer.Proposed proposed) {
            Map<String, Object> tree = envelope(Envelope.of(proposed.evaluation(), messages));
            tree.put("proposal", proposed.readings());
            return JsonTree.write(tree);
        }
        return answer(new Outcome.Refused(((PhotoReading.Answer.Refused) answer).faults()));
    }

    private static String answer(Outcome outcome) {
        if (outcome instanceof Outcome.Evaluated evaluated) {
            return JsonTree.write(envelope(Envelope.of(evaluated.evaluation(), messages)));
        }
        Map<String, Object> refused = new LinkedHashMap<>();
        List<FaultText> faults = FaultText.of(((Outcome.Refused) outcome).faults(), messages);
        refused.put("errors", faults.stream().map(PageCore::fault).toList());
        return JsonTree.write(refused);
    }

    /**
     * The context of a test at a stop.
     *
     * @param placeJson see {@link PlaceAndDay#of}
     * @param recordedJson tests that were recorded since, in that order: {@code id}, {@code stopId}, {@code method},
     *     {@code takenAt}, {@code supersedes?}, {@code envelope?}
     */
    @JSExport
    public static String contextOf(String placeJson, String recordedJson, String stop) {
        PlaceAndDay place = PlaceAndDay.of((Map<?, ?>) JsonTree.parse(placeJson));
        for (Object each : (List<?>) JsonTree.parse(recordedJson)) {
            Map<?, ?> test = (Map<?, ?>) each;
            PlaceAndDay.ContextReading found = test.get("envelope") instanceof Map<?, ?> envelope
                    ? PlaceAndDay.ContextReading.of(
                            METHODS.get((String) test.get("method")),
                            (String) test.get("id"),
                            (String) test.get("stopId"),
                            Instant.parse((String) test.get("takenAt")),
                            envelope(envelope))
                    : null;
            place = place.with(found, (String) test.get("supersedes"));
        }
        return JsonTree.write(place.contextOf(stop, new Additions(benchmarks)));
    }

    /** Values, classes and scores of an envelope as the page has it. */
    private static Envelope envelope(Map<?, ?> tree) {
        Map<String, Envelope.Figure> values = new LinkedHashMap<>();
        ((Map<?, ?>) tree.get("values")).forEach((name, part) -> {
            Map<?, ?> figure = (Map<?, ?>) part;
            double value = ((Number) figure.get("value")).doubleValue();
            values.put(
                    (String) name,
                    new Envelope.Figure(
                            value, (String) figure.get("unit"), number(figure.get("low")), number(figure.get("high"))));
        });
        Map<String, List<Map<String, Object>>> series = new LinkedHashMap<>();
        ((Map<?, ?>) tree.get("series")).forEach((name, part) -> series.put((String) name, rows((List<?>) part)));
        Map<String, Object> classes = new LinkedHashMap<>();
        ((Map<?, ?>) tree.get("classes")).forEach((name, code) -> classes.put((String) name, code));
        List<Envelope.RatingText> ratings = new ArrayList<>();
        for (Object each : (List<?>) tree.get("ratings")) {
            Map<?, ?> rating = (Map<?, ?>) each;
            ratings.add(new Envelope.RatingText(
                    (String) rating.get("indicator"),
                    (String) rating.get("school"),
                    number(rating.get("score")),
                    number(rating.get("scoreMax")),
                    (String) rating.get("level"),
                    number(rating.get("standing")),
                    number(rating.get("low")),
                    number(rating.get("high")),
                    (String) rating.get("reason"),
                    (String) rating.get("why")));
        }
        return new Envelope((String) tree.get("method"), values, classes, ratings, List.of(), series, List.of());
    }

    private static List<Map<String, Object>> rows(List<?> rows) {
        List<Map<String, Object>> copies = new ArrayList<>();
        for (Object each : rows) {
            Map<String, Object> copy = new LinkedHashMap<>();
            ((Map<?, ?>) each).forEach((name, cell) -> copy.put((String) name, cell));
            copies.add(copy);
        }
        return copies;
    }

    private static Double number(Object value) {
        return value == null ? null : Double.valueOf(((Number) value).doubleValue());
    }

    /**
     * What to mind about the conditions of a day.
     *
     * @param contextJson moisture, rain, temperature; without the season
     * @param month 1..12
     * @param south on the southern hemisphere
     * @return a list of notes; empty where the context can't be read
     */
    @JSExport
    public static String conditions(String contextJson, int month, boolean south) {
        Map<Object, Object> day = new LinkedHashMap<>((Map<?, ?>) JsonTree.parse(contextJson));
        day.put("season", Season.ofMonth(month, south).code());
        Faults faults = new Faults();
        Context context = Context.parse(day, faults);
        List<Envelope.NoteText> notes = faults.isEmpty() ? Conditions.warnings(context, messages) : List.of();
        return JsonTree.write(notes.stream().map(PageCore::note).toList());
    }

    // Records have no reflection here, so their parts are named once more; the worked cases hold both forms together.

    static Map<String, Object> envelope(Envelope envelope) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("method", envelope.method());
        Map<String, Object> values = new LinkedHashMap<>();
        envelope.values().forEach((name, figure) -> values.put(name, figure(figure)));
        tree.put("values", values);
        tree.put("classes", envelope.classes());
        tree.put("ratings", envelope.ratings().stream().map(PageCore::rating).toList());
        tree.put("notes", envelope.notes().stream().map(PageCore::note).toList());
        Map<String, Object> series = new LinkedHashMap<>();
        envelope.series()
                .forEach((name, rows) ->
                        series.put(name, rows.stream().map(PageCore::row).toList()));
        tree.put("series", series);
        tree.put("working", envelope.working().stream().map(PageCore::working).toList());
        return tree;
    }

    private static Map<String, Object> figure(Envelope.Figure figure) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("value", figure.value());
        tree.put("unit", figure.unit());
        tree.put("low", figure.low());
        tree.put("high", figure.high());
        return tree;
    }

    private static Map<String, Object> rating(Envelope.RatingText rating) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("indicator", rating.indicator());
        tree.put("school", rating.school());
        tree.put("score", rating.score());
        tree.put("scoreMax", rating.scoreMax());
        tree.put("level", rating.level());
        tree.put("standing", rating.standing());
        tree.put("low", rating.low());
        tree.put("high", rating.high());
        tree.put("reason", rating.reason());
        tree.put("why", rating.why());
        return tree;
    }

    private static Map<String, Object> note(Envelope.NoteText note) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("code", note.code());
        tree.put("severity", note.severity());
        tree.put("text", note.text());
        return tree;
    }

    private static Map<String, Object> row(Map<String, Object> row) {
        Map<String, Object> tree = new LinkedHashMap<>();
        row.forEach((key, cell) -> tree.put(key, cell instanceof Envelope.Figure figure ? figure(figure) : cell));
        return tree;
    }

    private static Map<String, Object> working(Envelope.WorkingText line) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("label", line.label());
        tree.put("formula", line.formula());
        tree.put("numbers", line.numbers());
        tree.put("result", figure(line.result()));
        tree.put("source", line.source());
        return tree;
    }

    private static Map<String, Object> fault(FaultText fault) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("field", fault.field());
        tree.put("code", fault.code());
        tree.put("message", fault.message());
        return tree;
    }
}
