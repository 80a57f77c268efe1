package org.morphotera.core.result;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.text.Messages;

/**
 * An evaluation with its texts, in the shape in which it leaves the core: the answer of the API, the stored record
 * and the page's live figures are all this. Absent parts are {@code null}.
 *
 * @param classes codes by name: a text, or a list of texts
 * @param series rows by name; a cell is a number, a text or a {@link Figure}
 */
public record Envelope(
        String method,
        Map<String, Figure> values,
        Map<String, Object> classes,
        List<RatingText> ratings,
        List<NoteText> notes,
        Map<String, List<Map<String, Object>>> series,
        List<WorkingText> working) {

    /** A figure, its unit's symbol and, where known, the interval it lies in. */
    public record Figure(
            double value,
            String unit,
            @Nullable Double low,
            @Nullable Double high) {

        static Figure of(Evaluation.Value value) {
            return new Figure(value.value(), value.unit().symbol(), value.low(), value.high());
        }
    }

    /** The rating of an indicator by the school {@code standing} that has a standing, or {@code null}. */
    public @Nullable RatingText standing(String indicator) {
        return ratings.stream()
                .filter(rating -> rating.indicator().equals(indicator)
                        && rating.school().equals("standing")
                        && rating.standing() != null)
                .findFirst()
                .orElse(null);
    }

    /** Whether a note of this code was made. */
    public boolean hasNote(String code) {
        return notes.stream().anyMatch(note -> note.code().equals(code));
    }

    /** A rating with the word for its level and the reason, as a code and in a sentence. */
    public record RatingText(
            String indicator,
            String school,
            @Nullable Double score,
            @Nullable Double scoreMax,
            @Nullable String level,
            @Nullable Double standing,
            @Nullable Double low,
            @Nullable Double high,
            String reason,
            String why) {}

    /** A note with its text. */
    public record NoteText(String code, String severity, String text) {

        /** The note with the text of a section, or the one common to all. */
        public static NoteText of(Evaluation.Note note, String section, Messages messages) {
            String text =
                    messages.text(List.of(section + ".note." + note.code(), "common.note." + note.code()), note.args());
            return new NoteText(note.code(), note.severity().code(), text);
        }
    }

    /** A line of the working: what is worked out, the formula, the formula with numbers, and where it is from. */
    public record WorkingText(String label, String formula, String numbers, Figure result, String source) {}

    /** Puts the texts of a language to an evaluation. */
    public static Envelope of(Evaluation evaluation, Messages messages) {
        String method = evaluation.method();
        Map<String, Figure> values = new LinkedHashMap<>();
        evaluation.values().forEach((name, value) -> values.put(name, Figure.of(value)));
        List<RatingText> ratings = new ArrayList<>();
        for (Evaluation.Rating rating : evaluation.ratings()) {
            ratings.add(rated(rating, method, messages));
        }
        List<NoteText> notes = new ArrayList<>();
        for (Evaluation.Note note : evaluation.notes()) {
            notes.add(NoteText.of(note, method, messages));
        }
        List<WorkingText> working = new ArrayList<>();
        for (Evaluation.WorkingLine line : evaluation.working()) {
            working.add(worked(line, method, messages));
        }
        return new Envelope(method, values, evaluation.classes(), ratings, notes, plain(evaluation.series()), working);
    }

    private static RatingText rated(Evaluation.Rating rating, String method, Messages messages) {
        String why = messages.text(
                List.of(
                        method + ".why." + rating.indicator() + "-" + rating.why(),
                        method + ".why." + rating.why(),
                        "common.why." + rating.why()),
                rating.args());
        String level =
                rating.standing() == null ? null : Level.of(rating.standing()).code();
        return new RatingText(
                rating.indicator(),
                rating.school(),
                rating.score(),
                rating.scoreMax(),
                level,
                rating.standing(),
                rating.low(),
                rating.high(),
                rating.why(),
                why);
    }

    private static WorkingText worked(Evaluation.WorkingLine line, String method, Messages messages) {
        String label = messages.text(List.of(method + ".value." + line.key(), "common.value." + line.key()), Map.of());
        String formula =
                messages.text(List.of(method + ".formula." + line.key(), "common.formula." + line.key()), line.args());
        String numbers =
                messages.text(List.of(method + ".numbers." + line.key(), "common.numbers." + line.key()), line.args());
        return new WorkingText(label, formula, numbers, Figure.of(line.result()), line.source());
    }

    private static Map<String, List<Map<String, Object>>> plain(Map<String, List<Map<String, Object>>> series) {
        Map<String, List<Map<String, Object>>> plain = new LinkedHashMap<>();
        series.forEach((name, rows) -> {
            List<Map<String, Object>> copies = new ArrayList<>();
            for (Map<String, Object> row : rows) {
                Map<String, Object> copy = new LinkedHashMap<>();
                row.forEach((key, cell) -> copy.put(key, plainCell(cell)));
                copies.add(copy);
            }
            plain.put(name, copies);
        });
        return plain;
    }

    private static Object plainCell(Object cell) {
        if (cell instanceof Evaluation.Value value) {
            return Figure.of(value);
        }
        return cell instanceof Double number ? Numbers.significant(number, Evaluation.DIGITS) : cell;
    }
}
