package org.morphotera.training;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.method.FieldMethod;

/** A learner who reads with care and chooses tests by a rule, until one limit is as good as sure or nothing is worth testing. */
final class Player {

    /** Sure enough to say it. */
    static final double SURE = 0.9;

    /** How a round went: what was named first, or {@code null} for nothing, and the minutes of work. */
    record Played(Constraint named, int minutes, List<String> tests) {}

    /** Which test comes next of those left; {@code null} to stop. */
    interface Rule {
        String next(TrainingVisit visit, Set<String> left);
    }

    private Player() {}

    /** By what tells most for its minutes. */
    static String bestNext(TrainingVisit visit, Set<String> left) {
        List<NextTest.Offer> offers = visit.next();
        return offers.isEmpty() ? null : offers.get(0).method();
    }

    /** By chance. */
    static Rule byChance(Random random) {
        return (visit, left) -> left.isEmpty() ? null : List.copyOf(left).get(random.nextInt(left.size()));
    }

    /** @param mostMinutes of work, after which the learner says what seems likeliest */
    static Played play(TrainingPlace place, TrainingTools tools, Rule rule, int mostMinutes) {
        TrainingVisit visit = new TrainingVisit(place, tools);
        Set<String> left = new LinkedHashSet<>();
        tools.offered().forEach(each -> left.add(each.card().id()));
        Set<String> made = new LinkedHashSet<>();
        int minutes = 0;
        while (true) {
            Limits.Belief first = visit.beliefs().get(0);
            if (first.probability() >= SURE) {
                return new Played(first.constraint(), minutes, List.copyOf(made));
            }
            String next = minutes >= mostMinutes ? null : rule.next(visit, left);
            if (next == null) {
                return new Played(first.named() ? first.constraint() : null, minutes, List.copyOf(made));
            }
            FieldMethod<?> method = tools.methods().get(next);
            left.remove(next);
            made.add(next);
            minutes += tools.minutes(method);
            visit.makeWithCare(method);
        }
    }
}
