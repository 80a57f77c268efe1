package org.morphotera.core.plan;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.Coded;

/**
 * What was done to a field since what it mends was last read: it is not proposed again until it has been read again,
 * whatever it was called when it was noted.
 */
public final class ActedOn {

    /** The code by which a proposal is held that was acted on. */
    static final String HELD = "acted-on";

    private static final int MONTH_NAME = 3;

    private final StopFindings findings;
    private final EvidenceTables tables;

    /** @param findings with what was done to the field */
    public ActedOn(StopFindings findings, EvidenceTables tables) {
        this.findings = findings;
        this.tables = tables;
    }

    /**
     * The newest such work that was done wherever the constraint holds the field back.
     *
     * @param heldBack stops that it holds back; none where they are not told apart
     * @return what the sentence {@code acted-on} needs: {@code what}, {@code on} and {@code from}; {@code null} where
     *     nothing was done since, or there is nothing to read again
     */
    @Nullable
    Map<String, Object> since(ActionKind kind, Constraint constraint, List<String> heldBack) {
        LocalDate read = findings.lastRead(finding -> tables.isOwn(constraint, finding));
        JudgedField.Event last = findings.done().stream()
                .filter(each -> is(kind, each))
                .filter(each -> each.stops() == null
                        || !heldBack.isEmpty() && each.stops().containsAll(heldBack))
                .filter(each -> read == null || !each.on().isBefore(read))
                .filter(each -> kind.retestOn(each.on()) != null)
                .max(Comparator.comparing(JudgedField.Event::on))
                .orElse(null);
        if (last == null) {
            return null;
        }
        Map<String, Object> said = new LinkedHashMap<>();
        said.put("what", last.what());
        said.put("on", last.on().getDayOfMonth() + " " + month(last.on()));
        // a month before the year is full: by then it shows
        said.put("from", month(kind.retestOn(last.on()).minusMonths(1)));
        return said;
    }

    /** What was written of it speaks only where its kind is none that is known. */
    private boolean is(ActionKind kind, JudgedField.Event event) {
        ActionKind exactly = Coded.find(ActionKind.values(), coded(event.kind()));
        if (exactly != null) {
            return exactly == kind;
        }
        boolean known = Stream.of(ActionKind.values()).anyMatch(each -> isCalled(each, event.kind()));
        return isCalled(kind, known ? event.kind() : event.what());
    }

    private boolean isCalled(ActionKind kind, String text) {
        return coded(text).equals(kind.code())
                || tables.wordsOf(kind.code()).stream().anyMatch(word -> says(text, word));
    }

    private static String coded(String text) {
        return text.strip().toLowerCase(Locale.ROOT).replace(' ', '-');
    }

    /** Whether a text has a word, or one that begins with it. */
    private static boolean says(String text, String word) {
        String clean = " " + text.toLowerCase(Locale.ROOT).replaceAll("[^a-z]+", " ");
        return clean.contains(" " + word);
    }

    private static String month(LocalDate on) {
        String name = on.getMonth().name();
        return name.charAt(0) + name.substring(1, MONTH_NAME).toLowerCase(Locale.ROOT) + " " + on.getYear();
    }

    /** Whether something of a kind was ever done. */
    public boolean everDone(ActionKind kind) {
        return findings.done().stream().anyMatch(each -> is(kind, each));
    }

    /** The proposals with those held back that were acted on. */
    List<Proposal> closing(List<Proposal> all, List<Limits.Belief> beliefs) {
        return all.stream()
                .map(each -> {
                    List<String> heldBack = beliefs.stream()
                            .filter(belief -> belief.constraint() == each.constraint())
                            .flatMap(belief -> belief.heldBack().stream())
                            .toList();
                    Map<String, Object> said = since(each.kind(), each.constraint(), heldBack);
                    return said == null ? each : each.heldBack(HELD, said);
                })
                .toList();
    }
}
