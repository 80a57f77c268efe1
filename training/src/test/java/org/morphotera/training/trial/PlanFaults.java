package org.morphotera.training.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.morphotera.core.CoreData;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.request.JudgementAnswer;
import org.morphotera.core.request.JudgementAnswer.JudgedConstraint;
import org.morphotera.core.request.JudgementAnswer.JudgedProposal;
import org.morphotera.core.result.Envelope;

/**
 * What no plan may say, looked for in the answer alone: by what was sent, by what is named, and by the amounts that come
 * out; never by the rules that draw the plan up.
 */
final class PlanFaults {

    private static final Set<String> GARDENS = Set.of("vegetable", "landscape", "turf");
    private static final double GARDEN_UNDER_HA = 0.5;
    private static final Set<String> GRASS = Set.of("pasture", "turf");

    private final Map<String, Object> body;
    private final JudgementAnswer answer;
    private final Map<String, Object> field;
    private final List<String> found = new ArrayList<>();

    private PlanFaults(Map<String, Object> body, JudgementAnswer answer) {
        this.body = body;
        this.answer = answer;
        this.field = map(body.get("field"));
    }

    /** The faults of one answer; empty for a sound one. */
    static List<String> of(Map<String, Object> body, JudgementAnswer answer) {
        return new PlanFaults(body, answer).all();
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> map(Object tree) {
        return (Map<String, Object>) tree;
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> maps(Object tree) {
        return (List<Map<String, Object>>) tree;
    }

    private void fault(boolean there, String what) {
        if (there) {
            found.add(what);
        }
    }

    private boolean garden() {
        Double area = (Double) field.get("areaHa");
        return GARDENS.contains(field.get("landUse")) || area != null && area < GARDEN_UNDER_HA;
    }

    private Set<String> named() {
        return answer.limits().constraints().stream()
                .filter(each -> each.named() || each.namedInPart())
                .map(JudgedConstraint::constraint)
                .collect(Collectors.toSet());
    }

    private List<String> all() {
        Set<String> named = named();
        List<JudgedProposal> proposals = answer.plan().proposals();
        proposals.forEach(each -> {
            fault(!named.contains(each.constraint()), each.kind() + " for what is not named");
            actedOn(each);
            amounts(each);
            switch (each.kind()) {
                case "lime" -> lime(each);
                case "gypsum" -> gypsum(each);
                case "leach" -> leach(each);
                case "drain" -> drain(each);
                case "loosen" -> loosen(each, named);
                case "cover-crop" -> cover(each);
                case "compost" -> compost(each);
                case "fertilise" -> fertilise(each);
                case "sulfur" -> fault(named.contains("free-lime"), "sulfur on free lime");
                default -> {
                    // has no amount of its own
                }
            }
        });
        together(proposals.stream().map(JudgedProposal::kind).toList());
        for (String constraint : named) {
            fault(
                    proposals.stream()
                            .noneMatch(each -> each.constraint().equals(constraint)
                                    && each.kind().equals("live-with-it")),
                    "no living with " + constraint);
        }
        return found;
    }

    /** Done everywhere after the last visit: nothing can have been read of it since. */
    private void actedOn(JudgedProposal proposal) {
        LocalDate last = maps(body.get("visits")).stream()
                .map(each -> LocalDate.parse((String) each.get("visitedOn")))
                .max(LocalDate::compareTo)
                .orElseThrow();
        fault(
                maps(body.get("events")).stream()
                        .anyMatch(event -> event.get("kind").equals(proposal.kind())
                                && event.get("stopIds") == null
                                && LocalDate.parse((String) event.get("happenedOn"))
                                        .isAfter(last)),
                proposal.kind() + " again after it was done");
    }

    private static double value(JudgedProposal of, String name) {
        Envelope calculation = of.calculation();
        return calculation == null || !calculation.values().containsKey(name)
                ? Double.NaN
                : calculation.values().get(name).value();
    }

    private static double input(JudgedProposal of, String name) {
        return of.inputs().get(name) instanceof Number number ? number.doubleValue() : Double.NaN;
    }

    /** Where a kind has an amount it has one here, and none is nothing. */
    private void amounts(JudgedProposal each) {
        String amount = switch (each.kind()) {
            case "lime" -> "productTHa";
            case "gypsum" -> "gypsumTHa";
            case "leach" -> "waterMm";
            case "drain" -> "spacingM";
            case "loosen" -> "workingDepthMm";
            case "compost" -> "freshTHa";
            case "fertilise" -> "nutrientKgHa";
            default -> null;
        };
        fault(amount != null && !(value(each, amount) > 0), each.kind() + " without an amount");
    }

    private void lime(JudgedProposal lime) {
        String crop = (String) field.get("crop");
        Table advised = CoreData.BENCHMARKS.table("ph.advised");
        double most = crop != null && advised.has(crop) ? advised.at(crop, "ph") : 6.8;
        fault(input(lime, "targetPh") > most + 0.2 + 1e-9, "lime over the target");
        fault(input(lime, "phWater") >= input(lime, "targetPh"), "lime on a soil that is sweet enough");
        fault(value(lime, "firstPassTHa") > (GRASS.contains(field.get("landUse")) ? 7.5 : 7.5), "a pass too large");
        fault(value(lime, "productTHa") > 15 * value(lime, "years") + 1e-6, "more than 15 t/ha in a year");
    }

    private void gypsum(JudgedProposal gypsum) {
        boolean measured = gypsum.inputs().get("espPct") != null;
        fault(!measured && value(gypsum, "gypsumTHa") > 2.5, "gypsum by guess");
        fault(value(gypsum, "firstYearTHa") > 10, "more than 10 t/ha of gypsum in a year");
        fault(measured && input(gypsum, "espPct") > 100, "exchangeable sodium of more than all");
    }

    private void leach(JudgedProposal leach) {
        fault(input(leach, "eceNow") <= input(leach, "eceTarget"), "washing where the salt is low enough");
        fault(value(leach, "dressingMm") > 150, "more than 150 mm in a dressing");
        String crop = (String) field.get("crop");
        Table crops = CoreData.BENCHMARKS.table("salinity.crops");
        if (crop != null && crops.has(crop)) {
            fault(input(leach, "eceTarget") < crops.at(crop, "threshold"), "washing to less than the crop needs");
        }
    }

    private void drain(JudgedProposal drain) {
        fault(garden(), "pipes in a garden");
        fault(value(drain, "spacingM") < 8, "pipes closer than 8 m");
        fault(
                Double.isNaN(input(drain, "permeabilityAboveMmH"))
                        || Double.isNaN(input(drain, "permeabilityBelowMmH")),
                "a spacing without two permeabilities");
        fault(
                maps(body.get("visits")).stream()
                        .flatMap(each -> maps(each.get("measurements")).stream())
                        .noneMatch(each ->
                                "at-200".equals(map(each.get("readings")).get("depthLevel"))),
                "a spacing that nobody measured below");
    }

    private void loosen(JudgedProposal loosen, Set<String> named) {
        fault(garden(), "loosening a garden");
        fault(GRASS.contains(field.get("landUse")), "loosening under grass");
        fault(loosen.inputs().get("rolledWormCrumbles") != null, "a worm that nobody rolled");
        fault(named.contains("sodicity"), "loosening a sodic soil");
        fault(
                value(loosen, "workingDepthMm") < 250 || value(loosen, "workingDepthMm") > 450,
                "loosening at " + value(loosen, "workingDepthMm") + " mm");
    }

    private void cover(JudgedProposal cover) {
        fault(GRASS.contains(field.get("landUse")), "a cover crop in grass");
        List<Map<String, Object>> mixture = cover.calculation() == null
                ? List.of()
                : cover.calculation().series().get("mixture");
        fault(mixture.size() < 2 || mixture.size() > 5, "a mixture of " + mixture.size());
        Table species = CoreData.BENCHMARKS.table("cover.species");
        boolean brassica = Set.of("oilseed", "cabbage", "broccoli").contains(String.valueOf(field.get("crop")));
        for (Map<String, Object> each : mixture) {
            String name = (String) each.get("species");
            fault(brassica && species.at(name, "brassica") > 0, name + " before " + field.get("crop"));
            fault(input(cover, "ece") >= 8 && species.at(name, "salt") < 2, name + " in salt");
            fault(input(cover, "phWater") < 5.2 && species.at(name, "acid") < 2, name + " in sour ground");
        }
    }

    private void compost(JudgedProposal compost) {
        double freshTHa = value(compost, "freshTHa");
        // of a usual compost: 60 % dry, 30 % of that carbon, by its ratio of carbon to nitrogen
        double nitrogen = freshTHa * 1000 * 0.6 * 0.3 / input(compost, "cnRatio");
        fault(!garden() && nitrogen > 170, "compost with " + nitrogen + " kg/ha of nitrogen");
    }

    private void fertilise(JudgedProposal give) {
        fault(
                maps(body.get("visits")).stream()
                        .flatMap(each -> maps(each.get("measurements")).stream())
                        .noneMatch(each -> each.get("method").equals("lab-result")),
                "an amount by a kit's colour");
        fault(value(give, "passKgHa") > 130, "too much at once");
    }

    private void together(List<String> kinds) {
        fault(kinds.contains("compost") && kinds.contains("less-nitrogen"), "compost beside less nitrogen");
        fault(kinds.contains("lime") && kinds.contains("sulfur"), "lime beside sulfur");
        fault(kinds.stream().filter("cover-crop"::equals).count() > 1, "more than one sowing");
        Set<String> lasting = new TreeSet<>(Set.of("drain", "leach", "loosen", "surface-outlets"));
        lasting.forEach(kind -> fault(kinds.stream().filter(kind::equals).count() > 1, kind + " twice"));
    }
}
