package org.morphotera.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.judgement.SeasonTrials.Property;

/** What is told of fields that were made up otherwise than the field model thinks, held to their truth. */
class SeasonTrialsTest {

    private static final int FIELDS = Integer.getInteger("trial.fields", 60) * 5;

    /** Chance leaves a share of few fields so far off, in percent points. */
    private static final double SLACK = Math.min(3, 300.0 / Math.sqrt(FIELDS * 20.0));

    private static IndicatorSeries series(JudgedField field) {
        return FieldJudgement.of(field, CoreData.BENCHMARKS).series().get(0);
    }

    private static int told(double risen, double fallen) {
        return Math.max(risen, fallen) >= FieldJudgement.TOLD_FROM ? 1 : 0;
    }

    @ParameterizedTest
    @EnumSource(Property.class)
    void seasonsAndWeatherAreNoChange(Property property) {
        int wrong = 0;
        int windows = 0;
        for (int visits = 2; visits <= 4; visits++) {
            SeasonTrials trials = new SeasonTrials(40 + visits);
            for (int i = 0; i < FIELDS; i++) {
                IndicatorSeries.Told told =
                        series(trials.draw(property, visits, 5, i % 3, null)).change(null, null);
                wrong += told(told.risen(), told.fallen());
                windows++;
            }
        }
        double share = 100.0 * wrong / windows;
        System.out.printf("seasons, %s: %.2f %% told where nothing changed%n", property, share);
        assertThat(share).isLessThanOrEqualTo(5);
    }

    @Test
    void limeIsToldWhereItDidSomethingAndHardlyWhereItDidNot() {
        int[] rose = new int[3];
        int[] did = new int[3];
        int wrongChange = 0;
        int wrongEffect = 0;
        int wrongWay = 0;
        for (int i = 0; i < FIELDS; i++) {
            for (int leftAlone = 0; leftAlone <= 2; leftAlone++) {
                IndicatorSeries limed = series(new SeasonTrials(900 + i).draw(Property.ACIDITY, 2, 5, leftAlone, 0.5));
                rose[leftAlone] += limed.change(null, null).risen() >= FieldJudgement.TOLD_FROM ? 1 : 0;
                did[leftAlone] += limed.did().get(0).risen() >= FieldJudgement.TOLD_FROM ? 1 : 0;
                wrongWay += limed.change(null, null).fallen() >= FieldJudgement.TOLD_FROM ? 1 : 0;
            }
            IndicatorSeries idle = series(new SeasonTrials(900 + i).draw(Property.ACIDITY, 2, 5, i % 3, 0.0));
            wrongChange += told(
                    idle.change(null, null).risen(), idle.change(null, null).fallen());
            wrongEffect += told(idle.did().get(0).risen(), idle.did().get(0).fallen());
        }
        double share = 100.0 / FIELDS;
        System.out.printf(
                "seasons, pH +0.5: told %.1f/%.1f/%.1f %%, effect %.1f/%.1f/%.1f %% with 0/1/2 left alone; "
                        + "lime that did nothing: change %.1f %%, effect %.1f %%%n",
                share * rose[0],
                share * rose[1],
                share * rose[2],
                share * did[0],
                share * did[1],
                share * did[2],
                share * wrongChange,
                share * wrongEffect);
        assertThat(share * rose[1]).isGreaterThanOrEqualTo(60 - SLACK);
        assertThat(share * did[1]).isGreaterThanOrEqualTo(40 - SLACK);
        assertThat(share * did[2]).isGreaterThanOrEqualTo(55 - SLACK);
        assertThat(rose[2]).isGreaterThanOrEqualTo(rose[0]);
        assertThat(did[2]).isGreaterThan(did[0]);
        assertThat(share * wrongChange).isLessThanOrEqualTo(3 + SLACK);
        assertThat(share * wrongEffect).isLessThanOrEqualTo(3 + SLACK);
        assertThat(wrongWay).isZero();
    }

    /** Patches of one land, drawn by chance, differ by chance: so few are told apart. */
    @Test
    void patchesByChanceAreSeldomToldApart() {
        int told = 0;
        int all = 0;
        for (Property property : Property.values()) {
            SeasonTrials trials = new SeasonTrials(77);
            for (int i = 0; i < FIELDS / 2; i++) {
                int stops = 1 + i % 3;
                JudgedField field = trials.draw(property, 1, 2 * stops, 0, null);
                var places = new java.util.ArrayList<JudgedField.Stop>();
                for (int s = 0; s < field.stops().size(); s++) {
                    JudgedField.Stop stop = field.stops().get(s);
                    places.add(new JudgedField.Stop(stop.id(), stop.label(), stop.role(), s < stops ? "a" : "b"));
                }
                told += series(new JudgedField(
                                        field.on(),
                                        field.place(),
                                        places,
                                        field.visits(),
                                        field.events(),
                                        field.readings()))
                                .difference(IndicatorSeries.Side.patch("a"), IndicatorSeries.Side.patch("b"))
                                .told()
                        ? 1
                        : 0;
                all++;
            }
        }
        System.out.printf("seasons, patches by chance: %.1f %% told apart%n", 100.0 * told / all);
        assertThat(100.0 * told / all).isLessThanOrEqualTo(5);
    }
}
