package org.morphotera.server.laboratory;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.method.chemistry.labresult.LabResult.Analyte;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.exchange.LineFaults;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.limits.Leading;
import org.morphotera.server.measurements.Measurement;
import org.morphotera.server.measurements.Measurements;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.StaleException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * Takes a laboratory's file in: looked at first, with what it would change; then kept, all of it or nothing. Each bag's
 * figures become a laboratory's measurement at its first stop, of the moment at which it was taken.
 */
@Service
class Results {

    private static final String METHOD = "lab-result";

    private final LaboratoryMapper rows;
    private final Bags bags;
    private final Measurements measurements;
    private final FieldLimits limits;
    private final FieldReader fields;
    private final Messages messages;
    private final JsonMapper json;
    private final TransactionTemplate transaction;

    Results(
            LaboratoryMapper rows,
            Bags bags,
            Measurements measurements,
            FieldLimits limits,
            FieldReader fields,
            Messages messages,
            JsonMapper json,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.bags = bags;
        this.measurements = measurements;
        this.limits = limits;
        this.fields = fields;
        this.messages = messages;
        this.json = json;
        this.transaction = transaction;
    }

    /** A figure of a bag, in the unit in which it is kept. */
    @Schema(name = "BagFigure")
    record Figure(String analyte, String label, double value, String unit) {}

    /** @param already it was taken in before, with the same figures */
    record BagResult(String code, UUID bagId, String field, String stops, List<Figure> figures, boolean already) {}

    /** What leads in a field before and after; {@code null} where nothing does. */
    @Schema(name = "LimitChange")
    record Change(
            UUID fieldId,
            String field,
            @Nullable String before,
            @Nullable String after) {}

    /**
     * What a file says and does.
     *
     * @param form by which it was read; absent where the bags' column could not be told
     * @param errors every line that can't be taken; nothing is kept while there is one
     */
    record ResultsView(
            boolean stored,
            List<ResultsReader.Seen> columns,
            Laboratory.@Nullable ResultForm form,
            List<BagResult> bags,
            List<Change> changes,
            List<FaultText> errors) {}

    ResultsView take(
            Advisor who,
            LaboratoryMapper.LaboratoryRow laboratory,
            String text,
            Laboratory.@Nullable ResultForm chosen,
            boolean store) {
        Laboratory.ResultForm form = chosen != null || laboratory.reading() == null
                ? chosen
                : json.readValue(laboratory.reading(), Laboratory.ResultForm.class);
        return transaction.execute(status -> {
            ResultsReader read = ResultsReader.read(text, form);
            Map<UUID, Leading> before = new LinkedHashMap<>();
            List<BagResult> results = new ArrayList<>();
            Set<String> seen = new LinkedHashSet<>();
            for (ResultsReader.Line line : read.lines) {
                if (line.figures().isEmpty() && line.code().isBlank()) {
                    continue;
                }
                LaboratoryMapper.BagRow bag = bag(who.practiceId(), line, read, seen);
                if (bag != null) {
                    if (!before.containsKey(bag.fieldId())) {
                        before.put(bag.fieldId(), leading(who.practiceId(), bag.fieldId()));
                    }
                    BagResult result = keep(who, bag, line, read.faults);
                    if (result != null) {
                        results.add(result);
                    }
                }
            }
            List<FaultText> errors = new ArrayList<>(read.faults.list());
            if (store && read.form == null) {
                errors.add(new FaultText("form", "NEEDED", "Choose the column that names the bags."));
            } else if (store && results.isEmpty() && errors.isEmpty()) {
                errors.add(new FaultText("text", "EMPTY", "The file holds no figure of a bag. Take another one."));
            }
            if (store && !errors.isEmpty()) {
                throw new RefusedException(errors);
            }
            List<Change> changes = errors.isEmpty() ? changes(who.practiceId(), before) : List.of();
            if (store) {
                rows.remember(who.practiceId(), laboratory.id(), json.writeValueAsString(read.form));
            } else {
                status.setRollbackOnly();
            }
            return new ResultsView(store, read.columns, read.form, results, changes, errors);
        });
    }

    private LaboratoryMapper.@Nullable BagRow bag(
            UUID practice, ResultsReader.Line line, ResultsReader read, Set<String> seen) {
        String code = BagCode.plain(line.code());
        LaboratoryMapper.BagRow bag = BagCode.sound(code) ? rows.byCode(practice, code) : null;
        String wrong = null;
        if (!BagCode.sound(code)) {
            wrong = "This is no code of a bag: a sign is wrong, or two changed places. Look at the label.";
        } else if (bag == null) {
            wrong = "No bag of yours has this code. Look at the label.";
        } else if (!seen.add(code)) {
            wrong = "This bag is there twice. Leave one of the lines.";
        } else if (line.figures().isEmpty()) {
            // where none could be read, that is said already
            wrong = read.faults.has(line.number()) ? "" : "It holds no figure. Fill it in, or take the line out.";
        }
        if (wrong == null) {
            return bag;
        }
        if (!wrong.isEmpty()) {
            read.faults.add(line.number(), read.form == null ? "" : read.form.code(), wrong);
        }
        return null;
    }

    private @Nullable BagResult keep(
            Advisor who, LaboratoryMapper.BagRow bag, ResultsReader.Line line, LineFaults faults) {
        List<Map<String, Object>> analytes = new ArrayList<>();
        List<Figure> figures = new ArrayList<>();
        line.figures().forEach((analyte, value) -> {
            analytes.add(Map.of(
                    "code",
                    analyte.code(),
                    "value",
                    value,
                    "unit",
                    analyte.unit().symbol()));
            figures.add(figure(analyte, value));
        });
        String stops = bags.view(who.practiceId(), bag).stops();
        UUID id = UUID.nameUUIDFromBytes(("result|" + bag.id()).getBytes(StandardCharsets.UTF_8));
        try {
            measurements.put(
                    who,
                    id,
                    new Measurement.Write(
                            bag.visitId(),
                            bag.stopId(),
                            METHOD,
                            bag.depthTopMm(),
                            bag.depthBottomMm(),
                            Map.of("analytes", analytes),
                            bag.takenAt(),
                            null,
                            null,
                            note(bag, stops),
                            null));
        } catch (RefusedException e) {
            for (FaultText fault : e.faults()) {
                faults.add(line.number(), column(fault, analytes), fault.message());
            }
            return null;
        } catch (StaleException e) {
            faults.add(
                    line.number(),
                    "",
                    "This bag has other figures already. Correct them in its record, or take the line out.");
            return null;
        }
        boolean already = bag.measurementId() != null;
        if (!already) {
            rows.answered(who.practiceId(), bag.id(), id);
        }
        return new BagResult(bag.code(), bag.id(), bag.field(), stops, figures, already);
    }

    private static String column(FaultText fault, List<Map<String, Object>> analytes) {
        Matcher index = Pattern.compile("\\[(\\d+)]").matcher(fault.field());
        return index.find() && Integer.parseInt(index.group(1)) < analytes.size()
                ? analytes.get(Integer.parseInt(index.group(1))).get("code").toString()
                : fault.field();
    }

    private static String note(LaboratoryMapper.BagRow bag, String stops) {
        String note = "Bag " + bag.code() + (Bags.stopIds(bag).size() > 1 ? ", a composite of " + stops : "");
        return note.length() <= 400 ? note : note.substring(0, 399) + "…";
    }

    private Figure figure(Analyte analyte, double value) {
        return new Figure(
                analyte.code(),
                messages.text("lab-result.option.analytes.code." + analyte.code()),
                value,
                analyte.unit().symbol());
    }

    private @Nullable Leading leading(UUID practice, UUID field) {
        return limits.leading(practice, Objects.requireNonNull(fields.field(practice, field)));
    }

    private List<Change> changes(UUID practice, Map<UUID, Leading> before) {
        List<Change> changes = new ArrayList<>();
        before.forEach((field, was) -> changes.add(new Change(
                field,
                Objects.requireNonNull(fields.field(practice, field)).name(),
                was == null ? null : was.sentence(),
                sentence(leading(practice, field)))));
        return changes;
    }

    private static @Nullable String sentence(@Nullable Leading leading) {
        return leading == null ? null : leading.sentence();
    }
}
