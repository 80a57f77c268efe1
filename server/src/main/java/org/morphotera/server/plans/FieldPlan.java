package org.morphotera.server.plans;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.plan.LaboratoryWord;
import org.morphotera.core.plan.road.Road;
import org.morphotera.core.result.Envelope;
import org.morphotera.server.viewcache.CachedView;

/** The shapes in which a plan leaves the server. */
final class FieldPlan {

    private FieldPlan() {}

    /** The day of the sample, and whether it agrees with the field's own reading and with the action. */
    record LaboratoryView(LocalDate on, boolean agrees) {

        static @Nullable LaboratoryView of(@Nullable LaboratoryWord word) {
            return word == null ? null : new LaboratoryView(word.on(), word.agrees());
        }
    }

    /** An input and where it came from. */
    record Origin(String name, String text) {}

    /**
     * An action that follows from the limits and is not in the plan yet.
     *
     * @param patch the patch that it is for, in words; {@code null} for what speaks for the field
     * @param confirmation what to have confirmed before money is spent
     * @param toConfirm it is done only once something confirmed it
     * @param laboratory what a laboratory says on it, if one spoke
     * @param held why it is held back for now, if it is; then it can't be agreed
     * @param waiting held back until something is known or read again, and not refused
     * @param expect how long until it shows
     * @param spares how much of the yield it spares
     * @param when in which season and state of the soil
     * @param risk what can go wrong
     * @param law what the law or a licensed person decides
     * @param again when to look again, and by what
     * @param calculation what its calculator makes of the inputs; absent while an input is missing
     */
    record ProposalView(
            String kind,
            String title,
            String constraint,
            String constraintLabel,
            double probability,
            @Nullable String patch,
            @Nullable String calculator,
            Map<String, Object> inputs,
            List<Origin> origins,
            List<String> rules,
            @Nullable String confirmation,
            boolean toConfirm,
            @Nullable LaboratoryView laboratory,
            @Nullable String held,
            boolean waiting,
            @Nullable String expect,
            @Nullable String spares,
            @Nullable String when,
            @Nullable String risk,
            @Nullable String law,
            @Nullable String again,
            @Nullable Envelope calculation) {}

    /**
     * An action with its title and the rules that hold for it.
     *
     * @param waits what has to happen before it, in sentences
     * @param toConfirm it is done only once something confirmed it
     * @param laboratory what a laboratory says on it, if one spoke
     */
    record ActionView(
            Action action,
            String title,
            @Nullable String constraintLabel,
            @Nullable String calculator,
            List<String> waits,
            boolean toConfirm,
            @Nullable LaboratoryView laboratory) {}

    /** What is expected of pH or salt, by date, with its band; and what was read. */
    record OutlookPoint(
            LocalDate on,
            double value,
            @Nullable Double low,
            @Nullable Double high) {}

    record Outlook(
            String indicator,
            String label,
            String unit,
            List<OutlookPoint> observed,
            List<OutlookPoint> expected,
            @Nullable Double target,
            String basis) {}

    /**
     * A programme over years.
     *
     * @param until when it has come to its end
     * @param warning what would show that it goes wrong
     */
    record RoadView(
            String constraint,
            String title,
            List<RoadStep> steps,
            String outlook,
            @Nullable String until,
            @Nullable String warning) {

        static RoadView of(Road road) {
            return new RoadView(
                    road.constraint().code(),
                    road.title(),
                    road.steps().stream()
                            .map(each -> new RoadStep(each.years(), each.what(), each.only(), each.test()))
                            .toList(),
                    road.outlook(),
                    road.until(),
                    road.warning());
        }
    }

    /**
     * @param only under which condition; absent for always
     * @param test by which it is seen whether to go on
     */
    record RoadStep(
            String years,
            String what,
            @Nullable String only,
            @Nullable String test) {}

    @CachedView
    record PlanView(
            String field,
            double areaHa,
            boolean garden,
            List<ActionView> actions,
            List<ProposalView> proposals,
            List<RoadView> roads,
            List<Outlook> outlooks,
            double agreedCost) {}
}
