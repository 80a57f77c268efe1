package org.morphotera.training;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;

/** Two made-up learners play the same rounds: one by what tells most for its minutes, one by chance. */
class LearnersTest {

    private static final int ROUNDS = Integer.getInteger("training.rounds", 50);
    private static final int MINUTES = 60;

    private final TrainingTools tools =
            new TrainingTools(Methods.all(), CoreData.BENCHMARKS, CoreData.EVIDENCE, CoreData.MESSAGES);

    private record Tally(int limited, int right, int worst, int falseAlarms, double minutes) {}

    private Tally play(Difficulty level, java.util.function.IntFunction<Player.Rule> rule) {
        int limited = 0;
        int right = 0;
        int worst = 0;
        int alarms = 0;
        double minutes = 0;
        for (int seed = 0; seed < ROUNDS; seed++) {
            TrainingPlace place = TrainingPlace.of(new Deal(seed, level, null));
            Player.Played played = Player.play(place, tools, rule.apply(seed), MINUTES);
            minutes += played.minutes();
            if (place.truth().isEmpty()) {
                alarms += played.named() != null ? 1 : 0;
            } else {
                limited++;
                right += played.named() != null && place.truth().containsKey(played.named()) ? 1 : 0;
                worst += played.named() == place.truth().keySet().iterator().next() ? 1 : 0;
            }
        }
        return new Tally(limited, right, worst, alarms, minutes / ROUNDS);
    }

    private Tally bestAndPrint(Difficulty level) {
        Tally best = play(level, seed -> Player::bestNext);
        Tally chance = play(level, seed -> Player.byChance(new Random(7L * seed)));
        System.out.printf(
                "%s, %d rounds: by the rule %d of %d right (%d the worst), %d false alarms, %.0f min; by chance %d of %d (%d), %d, %.0f min%n",
                level.code(),
                ROUNDS,
                best.right(),
                best.limited(),
                best.worst(),
                best.falseAlarms(),
                best.minutes(),
                chance.right(),
                chance.limited(),
                chance.worst(),
                chance.falseAlarms(),
                chance.minutes());
        assertThat(best.right()).as("limits named, %s", level).isGreaterThan(chance.right());
        assertThat(best.minutes()).as("minutes, %s", level).isLessThan(chance.minutes());
        return best;
    }

    @Test
    void theRuleNamesMoreInFewerMinutes() {
        Tally clear = bestAndPrint(Difficulty.CLEAR);
        Tally usual = bestAndPrint(Difficulty.USUAL);
        Tally hard = bestAndPrint(Difficulty.HARD);
        // of several limits, one is named sooner, but seldom the worst
        assertThat((double) clear.worst() / clear.limited()).isGreaterThan((double) hard.worst() / hard.limited());
        assertThat(usual.limited()).isLessThan(ROUNDS);
        assertThat(clear.right()).isGreaterThanOrEqualTo(clear.limited() * 8 / 10);
    }
}
