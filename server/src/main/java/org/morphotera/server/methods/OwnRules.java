package org.morphotera.server.methods;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.judgement.ScatterLearning;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.morphotera.server.web.Versioned;
import org.springframework.stereotype.Component;

/** The benchmarks by which a practice judges: those of the server, with the practice's own curves and bands over them. */
@Component
public class OwnRules {

    /** Name of the file that the own ones make. */
    static final String FILE = "own practice.txt";

    /** Name of the file that scatters learned of the practice's readings make. */
    private static final String LEARNED_FILE = "own scatters.txt";

    /** @param unlearned with the own rules alone */
    private record Known(
            OwnRulesMapper.Versions versions,
            Benchmarks unlearned,
            Benchmarks benchmarks,
            RulesInForce rules,
            Map<String, String> texts) {}

    private final OwnRulesMapper rows;
    private final Benchmarks shared;
    private final RulesInForce sharedRules;
    private final CoreFiles.CoreTexts texts;
    private final Clock clock;
    private final Map<UUID, Known> known = new ConcurrentHashMap<>();

    OwnRules(OwnRulesMapper rows, Benchmarks shared, RulesInForce sharedRules, CoreFiles.CoreTexts texts, Clock clock) {
        this.clock = clock;
        this.rows = rows;
        this.shared = shared;
        this.sharedRules = sharedRules;
        this.texts = texts;
    }

    /** What a practice judges by at a moment, and what its measurements are stamped with. */
    public record InForce(Benchmarks benchmarks, RulesInForce stamp) {}

    /** Both at once, of the same moment. */
    public InForce inForce(UUID practice) {
        Known own = own(practice);
        return own == null ? new InForce(shared, sharedRules) : new InForce(own.benchmarks(), own.rules());
    }

    /** What is in force for the practice at this moment. */
    public Benchmarks benchmarks(UUID practice) {
        Known own = own(practice);
        return own == null ? shared : own.benchmarks();
    }

    /** The same without what was learned of the practice's own readings: what is learned anew is learned from these. */
    public Benchmarks unlearned(UUID practice) {
        Known own = own(practice);
        return own == null ? shared : own.unlearned();
    }

    /** What was learned, by indicator; and when. */
    public record LearnedScatters(@Nullable Instant at, List<ScatterLearning.Learned> scatters) {}

    public LearnedScatters learned(UUID practice) {
        List<OwnRulesMapper.LearnedRow> learned = rows.learned(practice);
        return new LearnedScatters(
                learned.isEmpty() ? null : learned.get(0).learnedAt(),
                learned.stream().map(OwnRules::learned).toList());
    }

    private static ScatterLearning.Learned learned(OwnRulesMapper.LearnedRow row) {
        return new ScatterLearning.Learned(
                row.indicator(), row.readings(), row.fields(), row.stop(), row.spot(), row.visit(), row.person());
    }

    /** Puts these in the place of what was learned before; in the transaction that is under way. */
    public void learn(UUID practice, List<ScatterLearning.Learned> scatters) {
        Instant at = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        rows.forget(practice);
        for (ScatterLearning.Learned each : scatters) {
            rows.learn(new OwnRulesMapper.LearnedRow(
                    UUID.randomUUID(),
                    practice,
                    each.indicator(),
                    each.readings(),
                    each.fields(),
                    each.stop(),
                    each.spot(),
                    each.visit(),
                    each.person(),
                    at));
        }
    }

    /** Whether the practice has, or once had, rules of its own: then all it has recorded is judged by those of now. */
    public boolean any(UUID practice) {
        return rows.version(practice) != null;
    }

    /** The data files in force, for the page's copy of the core. */
    Map<String, String> texts(UUID practice) {
        Known own = own(practice);
        return own == null ? texts.benchmarks() : own.texts();
    }

    /**
     * What a practice has, or had.
     *
     * @param version 0 where it never had any
     */
    public record Written(
            int version, @Nullable Instant changedAt, List<OwnRulesForm.Rule> shared, List<OwnRulesForm.Rule> own) {}

    public Written written(UUID practice) {
        OwnRulesMapper.Row row = rows.row(practice);
        List<OwnRulesForm.Rule> own = new ArrayList<>();
        if (row != null) {
            Benchmarks now = benchmarks(practice);
            now.curves().stream()
                    .filter(curve -> !shared.curves().contains(curve))
                    .map(OwnRulesForm::of)
                    .forEach(own::add);
            now.bands().stream()
                    .filter(bands -> !shared.bands().contains(bands))
                    .map(OwnRulesForm::of)
                    .forEach(own::add);
        }
        List<OwnRulesForm.Rule> all = new ArrayList<>();
        shared.curves().stream().map(OwnRulesForm::of).forEach(all::add);
        shared.bands().stream().map(OwnRulesForm::of).forEach(all::add);
        return new Written(row == null ? 0 : row.version(), row == null ? null : row.changedAt(), all, own);
    }

    /**
     * The benchmarks as they would be with these rules and no other own ones.
     *
     * @throws RefusedException at the rule that does not fit
     */
    public Benchmarks supposed(List<OwnRulesForm.Rule> own) {
        return shared.with(FILE, OwnRulesForm.text(own, shared));
    }

    /**
     * Puts these in the place of those that the practice had.
     *
     * @throws RefusedException at the rule that does not fit
     * @throws StaleException when somebody changed them since
     */
    public void write(UUID practice, List<OwnRulesForm.Rule> own, int version) {
        String text = OwnRulesForm.text(own, shared);
        OwnRulesMapper.Row sent = new OwnRulesMapper.Row(
                practice, text, version + 1, clock.instant().truncatedTo(ChronoUnit.MILLIS));
        Versioned.write(
                sent,
                rows.row(practice),
                OwnRulesMapper.Row::version,
                () -> rows.insert(sent),
                () -> rows.update(sent),
                "own rules");
    }

    private @Nullable Known own(UUID practice) {
        // asked each time: another server on the same data may have changed them
        OwnRulesMapper.@Nullable Versions versions = rows.versions(practice);
        // neither the one nor the other is no row at all to the mapper
        if (versions == null) {
            return null;
        }
        Known before = known.get(practice);
        if (before != null && before.versions().equals(versions)) {
            return before;
        }
        Known now = read(practice, versions);
        known.put(practice, now);
        return now;
    }

    private Known read(UUID practice, OwnRulesMapper.Versions versions) {
        Map<String, String> all = new LinkedHashMap<>(texts.benchmarks());
        Benchmarks unlearned = shared;
        RulesInForce stamp = sharedRules;
        if (versions.rules() != null) {
            OwnRulesMapper.Row row = rows.row(practice);
            all.put(FILE, row.content());
            unlearned = shared.with(FILE, row.content());
            stamp = new RulesInForce(sharedRules.version(), CoreFiles.hash(all));
        }
        List<ScatterLearning.Learned> learned =
                rows.learned(practice).stream().map(OwnRules::learned).toList();
        if (learned.isEmpty()) {
            return new Known(versions, unlearned, unlearned, stamp, all);
        }
        Benchmarks tables = unlearned;
        String text = ScatterLearning.text(
                learned,
                learned.stream()
                        .collect(Collectors.toMap(
                                ScatterLearning.Learned::indicator,
                                each -> tables.table("model." + each.indicator()))));
        all.put(LEARNED_FILE, text);
        return new Known(versions, unlearned, unlearned.with(LEARNED_FILE, text), stamp, all);
    }
}
