package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.LandUse;

/**
 * Which test to make next: by the loss that it is expected to avoid (Raiffa and Schlaifer, 1961), for each minute of work,
 * fees and days of waiting reckoned as minutes. A constraint that is named is mended and one that is not is left; to mend
 * in vain costs as much as to leave what is there, which is why it is named from one half on. A test that can carry no
 * constraint over or under that line is not offered.
 */
public final class NextTest {

    /**
     * @param gainBits expected fall of the summed entropy over the constraints (Lindley, 1956), bits
     * @param avoidedPct loss that it is expected to avoid, % of the yield
     * @param minutes of work
     * @param price of fees and waiting, in minutes of work
     * @param constraint the one it tells most of
     * @param finding through which it tells it
     */
    public record Offer(
            String method,
            double gainBits,
            double avoidedPct,
            int minutes,
            double price,
            Constraint constraint,
            String finding) {

        /** By this the best is chosen. */
        public double avoidedPerMinute() {
            return avoidedPct / (minutes + price);
        }
    }

    private static final double LOG_2 = Math.log(2);
    private static final double NOTHING = 1e-4;

    private NextTest() {}

    /**
     * Of every method of a registry.
     *
     * @param findings what is known; of tests made, what they left open counts
     * @return best first
     */
    public static List<Offer> ranked(
            Map<String, Found> findings, MethodRegistry methods, LandUse use, EvidenceTables tables) {
        Map<String, Integer> minutes = new LinkedHashMap<>();
        methods.all().forEach(each -> minutes.put(each.card().id(), each.card().handsOnMinutes()));
        return ranked(findings, minutes, use, tables);
    }

    /**
     * Of some methods.
     *
     * @param minutes of work by method
     */
    public static List<Offer> ranked(
            Map<String, Found> findings, Map<String, Integer> minutes, LandUse use, EvidenceTables tables) {
        Map<Constraint, Double> now = new LinkedHashMap<>();
        Limits.of(findings, use, tables).forEach(each -> now.put(each.constraint(), each.probability()));
        List<Offer> offers = new ArrayList<>();
        minutes.forEach((method, work) -> {
            Offer offer = offer(method, work, findings, now, use, tables);
            if (offer != null) {
                offers.add(offer);
            }
        });
        Set<String> first = wantedNext(findings, tables);
        offers.sort(Comparator.comparing((Offer each) -> !first.contains(each.method()))
                .thenComparing(each -> -each.avoidedPerMinute()));
        return offers;
    }

    /** Tests whose finding a rule asks for before all others, such as sodium where salt would hide it. */
    public static Set<String> wantedNext(Map<String, Found> findings, EvidenceTables tables) {
        return tables.wanted().stream()
                .filter(rule -> !findings.containsKey(rule.finding()))
                .filter(rule -> findings.containsKey(rule.after())
                        && rule.states().contains(findings.get(rule.after()).state()))
                .map(rule -> tables.kind(rule.finding()).method())
                .collect(Collectors.toSet());
    }

    private static Offer offer(
            String method,
            int minutes,
            Map<String, Found> findings,
            Map<Constraint, Double> now,
            LandUse use,
            EvidenceTables tables) {
        double gain = 0;
        double most = 0;
        Constraint about = null;
        String through = null;
        double avoided = 0;
        for (FindingKind kind : tables.kinds()) {
            if (!kind.method().equals(method) || findings.containsKey(kind.id())) {
                continue;
            }
            for (Constraint constraint : Constraint.values()) {
                EvidenceTables.Row row = tables.row(constraint, kind.id());
                if (row == null) {
                    continue;
                }
                double p = now.get(constraint);
                double expected = 0;
                double spared = 0;
                for (String state : kind.states()) {
                    double chance = p * row.present().get(state)
                            + (1 - p) * row.absent().get(state);
                    Map<String, Found> with = new LinkedHashMap<>(findings);
                    with.put(kind.id(), Found.whole(state));
                    double after = Limits.belief(constraint, with, use, tables).probability();
                    expected += chance * entropy(after);
                    spared += chance * worth(after);
                }
                EvidenceTables.Loss loss = tables.loss(constraint);
                double told = Math.max(0, spared - worth(p)) * (loss == null ? 1 : loss.likely());
                avoided += told;
                double fall = Math.max(0, entropy(p) - expected);
                gain += fall;
                if (told > most) {
                    most = told;
                    about = constraint;
                    through = kind.id();
                }
            }
        }
        return avoided > NOTHING
                ? new Offer(method, gain, avoided, Math.max(1, minutes), tables.priceOf(method), about, through)
                : null;
    }

    /** What is spared of a loss of 1 by mending what is named. */
    private static double worth(double p) {
        return Math.max(0, 2 * p - 1);
    }

    private static double entropy(double p) {
        return p <= 0 || p >= 1 ? 0 : -(p * Math.log(p) + (1 - p) * Math.log(1 - p)) / LOG_2;
    }
}
