package org.morphotera.core.judgement;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.morphotera.core.judgement.FieldModel.Estimate;
import org.morphotera.core.judgement.IndicatorSeries.Design;
import org.morphotera.core.score.StopRole;

/** What more visits would tell, by the model of a series with readings that are only planned. */
final class PlannedVisits {

    private final SeriesData data;
    private final ToldFigures told;
    private final FieldModel fitted;

    PlannedVisits(SeriesData data, ToldFigures told, FieldModel fitted) {
        this.data = data;
        this.told = told;
        this.fitted = fitted;
    }

    private static final int[][] DESIGNS = {{0, 0, 1}, {3, 0, 1}, {0, 1, 1}, {0, 2, 1}, {0, 0, 2}, {3, 2, 2}};

    /** Designs from the one that is walked now, with more stops, more left alone, more visits. */
    List<Design> designs() {
        int treated = (int) data.stopsRead().stream()
                .filter(stop -> !data.stops.get(stop).role().isUntreated())
                .count();
        int alone = data.stopsRead().size() - treated;
        List<Design> found = new ArrayList<>();
        for (int[] more : DESIGNS) {
            found.add(design(treated + more[0], alone + more[1], more[2]));
        }
        return found;
    }

    /** The model of the readings with planned ones, each as the course has it: only how far it can be off is asked for. */
    private Design design(int treated, int alone, int more) {
        ModelReadings.Visit last = fitted.visits().get(fitted.visits().size() - 1);
        double value = fitted.course(last).value();
        JudgedField.Reading like = data.readings.get(data.readings.size() - 1);
        ModelReadings.Reading usual = data.modelReading(like);
        List<ModelReadings.Visit> days = new ArrayList<>(fitted.visits());
        List<ModelReadings.Stop> places = new ArrayList<>(fitted.stops());
        List<ModelReadings.Reading> read =
                new ArrayList<>(data.readings.stream().map(data::modelReading).toList());
        List<ModelReadings.Stop> walked = new ArrayList<>();
        choose(places, walked, treated, false);
        choose(places, walked, alone, true);
        for (int i = 1; i <= more; i++) {
            days.add(new ModelReadings.Visit(PLANNED + i, last.years() + i));
            for (ModelReadings.Stop stop : walked) {
                read.add(new ModelReadings.Reading(
                        stop.id(), PLANNED + i, usual.kind(), usual.person(), value, usual.sd(), usual.kindSd()));
            }
        }
        double sd = data.model.done() == null
                ? 0
                : data.model.done().rows().values().iterator().next().get(0);
        List<ModelReadings.Event> planned = List.of(new ModelReadings.Event(last.years(), 0, sd, null));
        FieldModel of = FieldModel.of(data.model.scatter(true), new ModelReadings(days, places, planned, read));
        Estimate change = Objects.requireNonNull(of.change(last.years(), last.years() + more))
                .estimate();
        Estimate effect = of.effects().get(0).effect();
        return new Design(treated, alone, more, wide(value, change), effect == null ? 0 : wide(value, effect));
    }

    private static final String PLANNED = "planned-";

    private double wide(double at, Estimate of) {
        double half = (of.high() - of.low()) / 2;
        return data.model.scale().ratio() ? Math.exp(half) : Math.abs(told.apart(at, half));
    }

    private static void choose(
            List<ModelReadings.Stop> known, List<ModelReadings.Stop> walked, int wanted, boolean untreated) {
        List<ModelReadings.Stop> there =
                known.stream().filter(each -> each.untreated() == untreated).toList();
        for (int i = 0; i < wanted; i++) {
            if (i < there.size()) {
                walked.add(there.get(i));
            } else {
                ModelReadings.Stop fresh = new ModelReadings.Stop(
                        PLANNED + (untreated ? "alone-" : "stop-") + i,
                        untreated ? StopRole.CONTROL.patch() : null,
                        untreated);
                known.add(fresh);
                walked.add(fresh);
            }
        }
    }
}
