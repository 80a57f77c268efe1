package org.morphotera.server.judgements;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.judgement.ScatterLearning;
import org.morphotera.server.calibration.Raters;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldChanged;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.methods.OwnRules;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Works out how the readings of a practice scatter, from all of its fields, and judges by that from then on. */
@Service
class PracticeScatters {

    private final JudgedFields judged;
    private final FieldReader fields;
    private final Raters raters;
    private final OwnRules rules;
    private final ApplicationEventPublisher changes;
    private final TransactionTemplate transaction;

    PracticeScatters(
            JudgedFields judged,
            FieldReader fields,
            Raters raters,
            OwnRules rules,
            ApplicationEventPublisher changes,
            TransactionTemplate transaction) {
        this.judged = judged;
        this.fields = fields;
        this.raters = raters;
        this.rules = rules;
        this.changes = changes;
        this.transaction = transaction;
    }

    /** Told how far it is. */
    interface Progress {
        void at(long done, long of);
    }

    /** @return what was learned: indicators with enough readings, none where there are too few */
    List<ScatterLearning.Learned> learn(UUID practice, Progress progress) {
        List<Field> all = fields.fields(practice);
        List<FieldJudgement> judgements = new ArrayList<>();
        for (Field each : all) {
            judgements.add(judged.unlearned(practice, each.id()));
            progress.at(judgements.size(), all.size() + 1);
        }
        List<ScatterLearning.Learned> learned = ScatterLearning.of(judgements, raters.of(practice));
        transaction.executeWithoutResult(status -> {
            rules.learn(practice, learned);
            all.forEach(each -> changes.publishEvent(new FieldChanged(practice, each.id())));
        });
        progress.at(all.size() + 1, all.size() + 1);
        return learned;
    }
}
