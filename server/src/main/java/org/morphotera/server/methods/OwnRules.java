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
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.morphotera.server.web.Versioned;
import org.springframework.stereotype.Component;

/** The benchmarks by which a practice judges: those of the server, with the practice's own curves and bands over them. */
@Component
public class OwnRules {

    /** Name of the file that the own ones make. */
    static final String FILE = "own practice.txt";

    private record Known(int version, Benchmarks benchmarks, RulesInForce rules, Map<String, String> texts) {}

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
        Integer version = rows.version(practice);
        if (version == null) {
            return null;
        }
        Known before = known.get(practice);
        if (before != null && before.version() == version) {
            return before;
        }
        OwnRulesMapper.Row row = rows.row(practice);
        Map<String, String> all = new LinkedHashMap<>(texts.benchmarks());
        all.put(FILE, row.content());
        Known now = new Known(
                row.version(),
                shared.with(FILE, row.content()),
                new RulesInForce(sharedRules.version(), CoreFiles.hash(all)),
                all);
        known.put(practice, now);
        return now;
    }
}
