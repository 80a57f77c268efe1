package org.morphotera.server.calibration;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.result.Envelope;

/**
 * A session in which several people score the same places.
 *
 * @param code by which the others join
 * @param tests ids of the tests whose score is given at each place
 * @param people who are expected; once all have scored everything, scores are shown and stand
 */
record Calibration(
        UUID id,
        String code,
        String title,
        List<String> tests,
        int places,
        int people,
        Instant madeAt,
        @Nullable Instant closedAt,
        int version) {

    static final int MOST_PLACES = 40;
    static final int MOST_PEOPLE = 12;

    /** What a client sends; {@code version} is the one it saw, 0 for a new session. */
    @Schema(name = "CalibrationWrite")
    record Write(
            @NotBlank(message = "needs a title") @Size(max = 200)
            String title,

            @NotEmpty(message = "needs at least one test") @Size(max = 8)
            List<@NotNull(message = "must be a test") @Size(max = 40) String> tests,

            @Min(1) @Max(MOST_PLACES) int places,

            @Min(2) @Max(MOST_PEOPLE) int people,

            int version) {}

    /** Who joins: the code as it was read out, and the name under which one scores. */
    @Schema(name = "CalibrationJoin")
    record Join(
            @NotBlank(message = "needs the code of the session") @Size(max = 12)
            String code,

            @NotNull(message = "is missing") UUID member,

            @NotBlank(message = "needs a name") @Size(max = 100)
            String name) {}

    /** One score of one's own. */
    @Schema(name = "CalibrationScore")
    record Score(
            @Min(1) @Max(MOST_PLACES) int place,

            @NotBlank @Size(max = 40) String test,

            double score) {}

    /** All scores of one's own, as they stand now. */
    @Schema(name = "CalibrationScores")
    record Scores(@NotNull @Size(max = 400) List<@NotNull(message = "must be a score") @Valid Score> scores) {}

    /** Who scores, and how many of the scores are given. */
    @Schema(name = "CalibrationMember")
    record Member(String name, int given, boolean all) {}

    /**
     * A test with the steps of its scale, lowest first.
     *
     * @param lowIsGood whether the lowest step is the best one
     */
    @Schema(name = "CalibrationTest")
    record Scaled(String id, String title, List<Double> scale, boolean lowIsGood) {}

    /**
     * How far people agree on one test.
     *
     * @param envelope of the calculator {@code agreement}; {@code null} where fewer than two scored it
     */
    @Schema(name = "CalibrationAgreement")
    record Agreed(String test, @Nullable Envelope envelope, List<Given> given) {}

    /** A score with who gave it; only once scores are shown. */
    @Schema(name = "CalibrationGiven")
    record Given(String name, int place, double score) {}

    /** A photo of a place. */
    @Schema(name = "CalibrationPhoto")
    record Photo(UUID id, int place, String name) {}

    /**
     * A session as one of those who score sees it.
     *
     * @param mine one's own scores; empty for whoever only looks
     * @param results {@code null} until all scores are in, or the session is closed
     */
    @Schema(name = "CalibrationView")
    record View(
            Calibration calibration,
            List<Scaled> tests,
            List<Member> members,
            List<Score> mine,
            List<Photo> photos,
            @Nullable List<Agreed> results) {}

    /**
     * How somebody scored beside the others in the newest session that tells it.
     *
     * @param bias mean difference from the middle of the others, in steps of the score
     */
    @Schema(name = "CalibrationBias")
    record Bias(
            String name,
            double bias,
            @Nullable Double low,
            @Nullable Double high,
            int places,
            Instant on) {}
}
