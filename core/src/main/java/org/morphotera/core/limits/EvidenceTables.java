package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.DataText;
import org.morphotera.core.text.DataTextException;

/**
 * What findings say of constraints, parsed from a data file: findings with their states, priors, and for each pair of
 * constraint and finding the probability of each state with the constraint present and absent.
 */
public final class EvidenceTables {

    /** Sections of a column of probabilities may miss 1 by this much. */
    private static final double SUM_SLACK = 1e-6;

    /**
     * What a constraint costs where it is present.
     *
     * @param low and {@code likely}, {@code high}: yield lost, %
     * @param source of the figures
     */
    public record Loss(double low, double likely, double high, String source) {}

    /** P(state | present) and P(state | absent) of each state of one finding for one constraint. */
    public record Row(
            Constraint constraint,
            String finding,
            Map<String, Double> present,
            Map<String, Double> absent,
            String reason,
            String source) {

        /**
         * The chances of states hold how readings scatter, and so do the tables: held against simulated soils, what they
         * weigh together is too little by this factor.
         */
        private static final double SCATTER_HELD_TWICE = 1.2;

        /** ln P(state | present) / P(state | absent): what the state weighs; of several that it may be, of all of them. */
        double weight(Found found) {
            Map<String, Double> chances = found.chances();
            if (chances == null) {
                return Math.log(present.get(found.state()) / absent.get(found.state()));
            }
            double with = 0;
            double without = 0;
            for (Map.Entry<String, Double> each : chances.entrySet()) {
                with += each.getValue() * present.get(each.getKey());
                without += each.getValue() * absent.get(each.getKey());
            }
            return SCATTER_HELD_TWICE * Math.log(with / without);
        }
    }

    /**
     * A state that says nothing from a figure of another finding on.
     *
     * @param code why, as a code under {@code less} in the texts
     */
    public record Hidden(String finding, String state, String by, double from, String code) {}

    /** A finding that is wanted next once another has one of some states. */
    public record Wanted(String finding, String after, List<String> states) {}

    /** How much a mark lets a finding count, all states or one. */
    private record Validity(String finding, String mark, String state, double weight) {}

    private final List<Validity> validities = new ArrayList<>();
    private final Map<String, Hidden> hidden = new LinkedHashMap<>();
    private final Map<String, Wanted> wanted = new LinkedHashMap<>();
    private final Map<Constraint, Set<String>> own = new LinkedHashMap<>();
    private final Map<String, List<String>> words = new LinkedHashMap<>();
    private final Map<String, Double> prices = new LinkedHashMap<>();
    private final Map<Constraint, Loss> losses = new LinkedHashMap<>();
    private final Map<String, List<String>> changes = new LinkedHashMap<>();
    private final Map<String, FindingKind> kinds = new LinkedHashMap<>();
    private final Map<Constraint, Map<String, Double>> priors = new LinkedHashMap<>();
    private final Map<String, Row> rows = new LinkedHashMap<>();

    private EvidenceTables() {}

    /**
     * Parses files in order; a section with the head of an earlier one takes its place, which is how a practice
     * overrides a row.
     *
     * @throws DataTextException naming file, line and remedy
     */
    public static EvidenceTables parse(Map<String, String> files) {
        EvidenceTables tables = new EvidenceTables();
        files.forEach((file, text) -> DataText.parse(file, text).forEach(tables::add));
        return tables;
    }

    private void add(DataText.Section section) {
        String[] head = section.head().split(" +");
        switch (head[0]) {
            case "finding" -> kinds.put(head[1], kind(head[1], section));
            case "prior" -> {
                Map<String, Double> byUse = new LinkedHashMap<>();
                section.require("prior");
                section.entries().forEach((use, value) -> byUse.put(use, probability(value, section)));
                priors.put(constraint(head[1], section), byUse);
            }
            case "validity" -> {
                validities.removeIf(each -> each.finding().equals(head[1]));
                section.entries().forEach((mark, text) -> {
                    String[] parts = mark.split("@");
                    validities.add(
                            new Validity(head[1], parts[0], parts.length > 1 ? parts[1] : null, share(text, section)));
                });
            }
            case "hidden" ->
                hidden.put(
                        head[1],
                        new Hidden(
                                head[1],
                                section.require("state"),
                                section.require("by"),
                                figure(section.require("from"), section),
                                section.require("code")));
            case "wanted" ->
                wanted.put(
                        head[1],
                        new Wanted(
                                head[1],
                                section.require("after"),
                                List.of(section.require("states").split(" +"))));
            case "change" ->
                changes.put(
                        String.join(" ", head).substring(head[0].length() + 1),
                        List.of(section.require("properties").split(" +")));
            case "needs" ->
                own.put(
                        constraint(head[1], section),
                        Set.of(section.require("findings").split(" +")));
            case "acts" -> words.put(head[1], List.of(section.require("words").split(" +")));
            case "price" -> prices.put(head[1], figure(section.require("minutes"), section));
            case "loss" -> losses.put(constraint(head[1], section), loss(section));
            case "evidence" -> rows.put(head[1] + " " + head[2], row(head[1], head[2], section));
            default ->
                throw new DataTextException(
                        section.file(),
                        section.line(),
                        "sections are [finding …], [prior …], [validity …], [hidden …], [wanted …], [change …], "
                                + "[needs …], [loss …], [price …], [acts …] or [evidence … …]");
        }
    }

    private static Constraint constraint(String code, DataText.Section section) {
        Constraint found = Coded.find(Constraint.values(), code);
        if (found == null) {
            throw new DataTextException(section.file(), section.line(), "there is no constraint " + code);
        }
        return found;
    }

    private static double probability(String text, DataText.Section section) {
        try {
            double p = Double.parseDouble(text);
            if (p > 0 && p < 1) {
                return p;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new DataTextException(section.file(), section.line(), text + " is no probability between 0 and 1");
    }

    private static double share(String text, DataText.Section section) {
        double share = figure(text, section);
        if (share < 0 || share > 1) {
            throw new DataTextException(section.file(), section.line(), text + " is no share between 0 and 1");
        }
        return share;
    }

    private static FindingKind kind(String id, DataText.Section section) {
        List<String> states = new ArrayList<>();
        List<FindingKind.Limit> limits = new ArrayList<>();
        String words = section.entries().get("words");
        if (words != null) {
            states.addAll(List.of(words.split(" +")));
        } else {
            for (String part : section.require("states").split(";")) {
                String[] pieces = part.trim().split(" +");
                states.add(pieces[0]);
                if (pieces.length > 1) {
                    boolean included = pieces[1].startsWith("<=");
                    limits.add(new FindingKind.Limit(figure(pieces[1].substring(included ? 2 : 1), section), included));
                }
            }
            rising(limits, states.size(), section);
        }
        String model = section.entries().get("model");
        return new FindingKind(
                id,
                section.require("method"),
                section.require("group"),
                section.entries().getOrDefault("property", id),
                section.entries().getOrDefault("of", id),
                against(section),
                model == null ? null : model.split(" +")[0],
                model == null ? 0 : model.endsWith(" standing") ? 1 : model.endsWith(" points") ? 2 : 0,
                section.entries().get("unit"),
                List.copyOf(states),
                List.copyOf(limits));
    }

    private static FindingKind.Against against(DataText.Section section) {
        String code = section.entries().getOrDefault("against", FindingKind.Against.NONE.code());
        FindingKind.Against found = Coded.find(FindingKind.Against.values(), code);
        if (found == null) {
            throw new DataTextException(section.file(), section.line(), "against is window or salt, not " + code);
        }
        return found;
    }

    private static Loss loss(DataText.Section section) {
        String[] columns = section.require("pct").split(" +");
        if (columns.length != LOSS_COLUMNS) {
            throw new DataTextException(section.file(), section.line(), "pct needs a low, a likely and a high figure");
        }
        return new Loss(
                figure(columns[0], section),
                figure(columns[1], section),
                figure(columns[2], section),
                section.require("source"));
    }

    private static final int LOSS_COLUMNS = 3;

    private static double figure(String text, DataText.Section section) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new DataTextException(section.file(), section.line(), text + " is no figure");
        }
    }

    private static void rising(List<FindingKind.Limit> limits, int states, DataText.Section section) {
        for (int i = 1; i < limits.size(); i++) {
            if (limits.get(i).below() <= limits.get(i - 1).below()) {
                throw new DataTextException(section.file(), section.line(), "the limits of states must rise");
            }
        }
        if (limits.size() != states - 1) {
            throw new DataTextException(
                    section.file(), section.line(), "every state but the last needs its upper limit, as <x or <=x");
        }
    }

    private Row row(String constraint, String finding, DataText.Section section) {
        FindingKind kind = kinds.get(finding);
        if (kind == null) {
            throw new DataTextException(section.file(), section.line(), "there is no finding " + finding);
        }
        Map<String, Double> present = new LinkedHashMap<>();
        Map<String, Double> absent = new LinkedHashMap<>();
        for (String state : kind.states()) {
            String[] columns = section.require(state).split(" +");
            if (columns.length != 2) {
                throw new DataTextException(section.file(), section.line(), state + " needs two probabilities");
            }
            present.put(state, probability(columns[0], section));
            absent.put(state, probability(columns[1], section));
        }
        if (Math.abs(sum(present) - 1) > SUM_SLACK || Math.abs(sum(absent) - 1) > SUM_SLACK) {
            throw new DataTextException(section.file(), section.line(), "each column must add up to 1");
        }
        return new Row(
                constraint(constraint, section),
                finding,
                present,
                absent,
                section.require("reason"),
                section.require("source"));
    }

    private static double sum(Map<String, Double> column) {
        return column.values().stream().mapToDouble(Double::doubleValue).sum();
    }

    /** Every finding that the tables speak of, in the order of the data. */
    public List<FindingKind> kinds() {
        return List.copyOf(kinds.values());
    }

    /** The finding of an id; {@code null} when there is none. */
    public FindingKind kind(String id) {
        return kinds.get(id);
    }

    /**
     * How much a finding counts, 0..1, by the lowest of its marks' shares.
     *
     * @param marks notes and kind of the reading
     * @param state that it was sorted into
     */
    public double validity(String finding, Collection<String> marks, String state) {
        if (marks.isEmpty()) {
            return 1;
        }
        return applying(finding, marks, state)
                .mapToDouble(Validity::weight)
                .min()
                .orElse(1);
    }

    /** The marks by which a finding counts less. */
    public List<String> countsLessBy(String finding, Collection<String> marks, String state) {
        return applying(finding, marks, state).map(Validity::mark).distinct().toList();
    }

    private Stream<Validity> applying(String finding, Collection<String> marks, String state) {
        return validities.stream()
                .filter(each -> each.finding().equals(finding) && marks.contains(each.mark()))
                .filter(each -> each.state() == null || each.state().equals(state));
    }

    /** States that say nothing beside some figure. */
    public Collection<Hidden> hidden() {
        return List.copyOf(hidden.values());
    }

    /** Findings that come next by rule. */
    public Collection<Wanted> wanted() {
        return List.copyOf(wanted.values());
    }

    /** Every mark by which something counts less, with its finding: for the texts. */
    public Set<String> validityMarks() {
        return validities.stream().map(Validity::mark).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /**
     * Properties that something done to a field changes: what was read before says nothing of them.
     *
     * @param event kind of event as written, such as {@code lime}
     */
    public List<String> changedBy(String event) {
        String written = event.strip().toLowerCase(Locale.ROOT);
        return changes.entrySet().stream()
                .filter(each -> written.startsWith(each.getKey()))
                .flatMap(each -> each.getValue().stream())
                .toList();
    }

    /**
     * Whether a finding is a test of the constraint itself: signs alone name nothing. Of a constraint that the tables say
     * nothing about, every finding is.
     */
    public boolean isOwn(Constraint constraint, String finding) {
        Set<String> of = own.get(constraint);
        return of == null || of.contains(finding);
    }

    /** What fees and days of waiting for a test's answer are worth, in minutes of work. */
    double priceOf(String method) {
        return prices.getOrDefault(method, 0.0);
    }

    /** Words, in small letters, by which a kind of work is known where it was noted freely. */
    public List<String> wordsOf(String actionKind) {
        return words.getOrDefault(actionKind, List.of());
    }

    /** What a constraint costs where it is present; {@code null} where nothing is known of it. */
    public @Nullable Loss loss(Constraint constraint) {
        return losses.get(constraint);
    }

    /** Probability before anything is seen. */
    public double prior(Constraint constraint, LandUse use) {
        Map<String, Double> byUse = priors.get(constraint);
        return use == null ? byUse.get("prior") : byUse.getOrDefault(use.code(), byUse.get("prior"));
    }

    /** What a finding says of a constraint; {@code null} when it says nothing. */
    public Row row(Constraint constraint, String finding) {
        return rows.get(constraint.code() + " " + finding);
    }
}
