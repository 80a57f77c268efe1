package org.morphotera.core.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.reading.DescribedFields;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.reading.ReadingSpec;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.text.Messages;

/** The methods as others see them: readings with labels, units and limits, materials, steps, cautions, sources. */
public final class Catalogue {

    private Catalogue() {}

    /**
     * One method; {@code labels} name its values and classes. {@code usual}, {@code drawn} and {@code groups} are those
     * of its {@link CaptureGuide}; {@code waterLitres} is what it takes along of rain water; {@code prompts} are what its picture asks for, step by step.
     */
    public record MethodEntry(
            String id,
            String family,
            String title,
            String purpose,
            List<IndicatorEntry> indicators,
            @Nullable String contextClass,
            int handsOnMinutes,
            @Nullable Integer usualTopMm,
            @Nullable Integer usualBottomMm,
            List<ReadingEntry> readings,
            Map<String, String> labels,
            List<String> materials,
            List<String> steps,
            List<TimedStepEntry> timedSteps,
            List<WorkStepEntry> work,
            @Nullable Double waterLitres,
            Map<String, Object> usual,
            Map<String, Double> drawn,
            Map<String, List<String>> groups,
            Map<String, String> prompts,
            List<String> conditions,
            List<String> cautions,
            List<String> sources) {}

    /** An indicator that the method rates, and the value it stands on. */
    public record IndicatorEntry(
            String id, String label, @Nullable String figure) {}

    /** A step of hands-on work, and the wait before it, in minutes; the first step of a test waits for nothing. */
    public record WorkStepEntry(
            String code,
            String label,
            double minutes,
            @Nullable Double least,
            @Nullable Double most) {}

    /** A moment to call out; {@code atSeconds} is absent where it is worked out from the readings. */
    public record TimedStepEntry(
            String code, String label, @Nullable Integer atSeconds, int toleranceSeconds) {}

    /**
     * One reading. {@code min} and {@code max} limit the figure ({@code minExcluded}: it must lie above), {@code
     * minItems} and {@code maxItems} a list or the length of a text. {@code when} must hold for it to count.
     */
    public record ReadingEntry(
            String name,
            String label,
            @Nullable String help,
            String type,
            @Nullable String unit,
            @Nullable Double min,
            @Nullable Double max,
            boolean minExcluded,
            @Nullable Integer minItems,
            @Nullable Integer maxItems,
            boolean required,
            List<ConditionEntry> when,
            List<OptionEntry> options,
            @Nullable Object preset,
            List<ReadingEntry> items) {}

    /** When a reading counts: another of the same group has one of these values. */
    public record ConditionEntry(String name, List<String> values) {}

    /** One choice of a reading, and its words. */
    public record OptionEntry(String code, String label) {}

    /** The catalogue entry of a method. */
    public static MethodEntry entry(FieldMethod<?> method, Messages messages, Benchmarks benchmarks) {
        MethodCard card = method.card();
        String id = card.id();
        CaptureGuide capture = method.capture().guide(benchmarks);
        return new MethodEntry(
                id,
                card.family().code(),
                messages.text(id + ".title"),
                messages.text(id + ".purpose"),
                card.indicators().stream()
                        .map(each -> new IndicatorEntry(each.id(), messages.word(each.id()), each.figure()))
                        .toList(),
                card.contextClass(),
                card.handsOnMinutes(),
                card.usualTopMm(),
                card.usualBottomMm(),
                readings(DescribedFields.of(method::read), id, "", messages),
                labels(id, messages),
                messages.numbered(id + ".material"),
                messages.numbered(id + ".step"),
                card.timedSteps().stream()
                        .map(step -> new TimedStepEntry(
                                step.code(),
                                messages.text(id + ".timed." + step.code()),
                                step.atSeconds(),
                                step.toleranceSeconds()))
                        .toList(),
                work(method, messages, benchmarks),
                WorkStep.waterLitres(id, benchmarks),
                capture.usual(),
                capture.drawn(),
                capture.groups(),
                messages.under(id + ".say."),
                messages.numbered(id + ".condition"),
                messages.numbered(id + ".caution"),
                messages.numbered(id + ".source"));
    }

    /** A unit with its US customary form: shown = metric × factor + offset. */
    public record UnitEntry(String symbol, String usSymbol, double usFactor, double usOffset, int usDecimals) {}

    /** Every unit that differs between the systems. */
    public static List<UnitEntry> units() {
        List<UnitEntry> entries = new ArrayList<>();
        for (Unit unit : Unit.values()) {
            if (!unit.symbol().equals(unit.usSymbol())) {
                entries.add(new UnitEntry(
                        unit.symbol(), unit.usSymbol(), unit.usFactor(), unit.usOffset(), unit.usDecimals()));
            }
        }
        return entries;
    }

    private static List<WorkStepEntry> work(FieldMethod<?> method, Messages messages, Benchmarks benchmarks) {
        String id = method.card().id();
        List<WorkStepEntry> steps = new ArrayList<>();
        for (WorkStep step : WorkStep.of(method.card(), benchmarks)) {
            boolean leads = steps.isEmpty();
            String said = messages.optional(id + ".work." + step.code());
            steps.add(new WorkStepEntry(
                    step.code(),
                    said == null ? messages.text(id + ".title") : said,
                    step.minutes(),
                    leads ? null : Double.valueOf(step.leastWaitMin()),
                    leads ? null : Double.valueOf(step.mostWaitMin())));
        }
        return steps;
    }

    private static Map<String, String> labels(String id, Messages messages) {
        Map<String, String> labels = messages.under(id + ".value.");
        labels.putAll(messages.under(id + ".class."));
        return labels;
    }

    /** What a context may hold, in the same form as readings. */
    public static List<ReadingEntry> context(Messages messages) {
        return readings(DescribedFields.of(Context::read), "context", "", messages);
    }

    /** What any reader asks for, in the same form as readings; labels from the section of the messages. */
    public static List<ReadingEntry> inputs(
            java.util.function.Function<Fields, ?> reader, String section, Messages messages) {
        return readings(DescribedFields.of(reader), section, "", messages);
    }

    private static List<ReadingEntry> readings(List<ReadingSpec> specs, String id, String path, Messages messages) {
        List<ReadingEntry> entries = new ArrayList<>();
        for (ReadingSpec spec : specs) {
            entries.add(reading(spec, id, path, messages));
        }
        return entries;
    }

    private static ReadingEntry reading(ReadingSpec spec, String id, String path, Messages messages) {
        String key = path + spec.name();
        String label =
                messages.text(List.of(id + ".reading." + key, "common.reading." + spec.name(), spec.name()), Map.of());
        List<OptionEntry> options = new ArrayList<>();
        for (String code : spec.options()) {
            String own = messages.optional(id + ".option." + key + "." + code);
            options.add(new OptionEntry(code, own == null ? messages.word(code) : own));
        }
        List<ConditionEntry> when = new ArrayList<>();
        for (Need.Condition condition : spec.need().conditions()) {
            when.add(new ConditionEntry(condition.name(), condition.values()));
        }
        Range range = spec.range();
        Range size = spec.size();
        return new ReadingEntry(
                spec.name(),
                label,
                messages.optional(id + ".help." + key),
                spec.type(),
                spec.unit() == Unit.NONE ? null : spec.unit().symbol(),
                range == null ? null : Double.valueOf(range.min()),
                range == null ? null : Double.valueOf(range.max()),
                range != null && range.above(),
                size == null ? null : Integer.valueOf((int) size.min()),
                size == null ? null : Integer.valueOf((int) size.max()),
                spec.need().required(),
                when,
                options,
                spec.fallback(),
                readings(spec.items(), id, key + ".", messages));
    }
}
