package org.morphotera.server.reports;

import static org.morphotera.server.reports.PdfWriter.text;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.morphotera.core.text.ShownUnits;
import org.morphotera.server.change.Changes;
import org.morphotera.server.faces.Faces;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.limits.NamedLimit;
import org.morphotera.server.plans.PlannedOption;
import org.morphotera.server.plans.PlannedWork;
import org.morphotera.server.sheets.Sheets;

/** A field for the one who works it: the face, what limits it, the sheet, what changed, in plain words. */
final class GrowerReport {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);

    private final ShownUnits units;
    private final StringBuilder html = new StringBuilder();

    /** A photo with what it shows. */
    record Picture(String caption, String type, byte[] content) {}

    private GrowerReport(ShownUnits units) {
        this.units = units;
    }

    static byte[] pdf(
            String practice,
            LocalDate today,
            Faces.FieldFaceView face,
            Sheets.SheetView sheet,
            List<PlannedWork> work,
            List<NamedLimit> limits,
            List<PlannedOption> options,
            List<Changes.SeriesChange> changes,
            List<Picture> pictures,
            ShownUnits units) {
        GrowerReport report = new GrowerReport(units);
        // the first page can be read aloud: what limits, what to do, when to look again
        report.head(practice, today, face);
        report.limits(face, limits);
        report.agreed(work);
        report.options(options);
        report.again(face, work);
        report.html
                .append("<div class='whole'><h2>By depth</h2>")
                .append(FaceDrawing.of(face, units))
                .append("</div>");
        report.doneOfThePlan(work);
        report.functions(face);
        report.changes(changes);
        report.done(face.events());
        report.pictures(pictures);
        if (sheet != null) {
            report.sheet(sheet);
        }
        return PdfWriter.write(face.field().name(), report.html.toString());
    }

    /** A finding's figure in the words that its indicator has for it. */
    static String figure(Faces.FindingView finding, ShownUnits units) {
        if (finding.figure() == null) {
            return "";
        }
        String plain = units.text(finding.figure(), finding.unit());
        return finding.pattern() == null
                        || finding.unit() != null && !finding.unit().isEmpty()
                ? plain
                : finding.pattern().replace("{x}", plain);
    }

    private void head(String practice, LocalDate today, Faces.FieldFaceView face) {
        String facts = Stream.of(
                        face.grower().name(),
                        face.field().crop() == null
                                ? face.field().landUse()
                                : face.field().crop().replace('-', ' '),
                        face.field().areaHa() == null
                                ? null
                                : units.text(face.field().areaHa(), "ha"),
                        face.textureClass() == null ? null : face.textureClass().replace('-', ' '))
                .filter(java.util.Objects::nonNull)
                .collect(Collectors.joining(" · "));
        html.append("<p class='soft'>").append(text(practice)).append(", ").append(today.format(DAY));
        html.append("</p><h1>").append(text(face.field().name())).append("</h1><p class='soft'>");
        html.append(text(facts)).append("</p>");
    }

    /** Every limit that is named, each with its figures, how far it reaches and what it costs; else the worst that was seen. */
    private void limits(Faces.FieldFaceView face, List<NamedLimit> limits) {
        html.append("<h2>What limits this field, as far as it was measured</h2>");
        if (limits.isEmpty()) {
            worst(face);
            return;
        }
        html.append("<p class='lead'>").append(text(limits.get(0).sentence())).append(".</p>");
        for (NamedLimit limit : limits) {
            html.append("<p><b>").append(text(limit.label())).append(".</b> ");
            html.append(text(String.join("; ", limit.because()))).append(". ");
            Stream.of(limit.extent(), limit.cost())
                    .filter(java.util.Objects::nonNull)
                    .forEach(each -> html.append(text(each)).append(' '));
            html.append("To confirm: ").append(text(limit.confirmation())).append(".</p>");
        }
    }

    private void worst(Faces.FieldFaceView face) {
        Faces.Limit limit = face.limit();
        if (limit == null) {
            boolean seen = !face.findings().isEmpty();
            html.append("<p class='lead'>")
                    .append(seen ? "Nothing that was measured holds it back." : "Too little was seen to say.")
                    .append("</p>");
            return;
        }
        html.append("<p class='lead'>").append(text(units.prose(limit.why()))).append(".</p>");
        html.append("<p><span class='").append(limit.level()).append("'>").append(limit.level());
        html.append("</span> · ").append(text(limit.label()));
        if (limit.depthTopMm() != null) {
            html.append(", ").append(text(units.text(limit.depthTopMm(), "mm"))).append(" to ");
            html.append(text(units.text(limit.depthBottomMm(), "mm")));
        }
        html.append("</p>");
    }

    /** What is to be done, how much, when and by whom, in sentences. */
    private void agreed(List<PlannedWork> work) {
        List<PlannedWork> agreed =
                work.stream().filter(each -> each.doneOn() == null).toList();
        html.append("<h2>What is agreed</h2>");
        if (agreed.isEmpty()) {
            sentence("Nothing is agreed yet.");
        }
        for (PlannedWork each : agreed) {
            html.append("<p><b>").append(text(each.title())).append(".</b> ");
            String how = Stream.of(
                            each.amount() == null ? null : units.prose(each.amount()),
                            span(each.dueFrom(), each.dueTo()),
                            each.person() == null ? null : "by " + each.person())
                    .filter(part -> part != null && !part.isEmpty())
                    .collect(Collectors.joining(", "));
            html.append(text(how.isEmpty() ? "" : capital(how) + ". "));
            html.append(each.against() == null ? "" : text("Against " + lower(each.against()) + ". "));
            each.waits().forEach(wait -> html.append(text(wait)).append(' '));
            html.append("</p>");
        }
    }

    /** What could be done and is not agreed yet, in the order of the work. */
    private void options(List<PlannedOption> options) {
        if (options.isEmpty()) {
            return;
        }
        html.append("<h2>To be talked over</h2>");
        for (PlannedOption each : options) {
            html.append("<p><b>").append(text(each.title()));
            html.append(each.patch() == null ? "" : " " + text(each.patch())).append("</b>, against ");
            html.append(text(lower(each.against())));
            html.append(each.amount() == null ? "" : ": " + text(each.amount())).append(". ");
            html.append(each.first() == null ? "" : "First: " + text(lower(each.first())) + ". ");
            Stream.of(each.spares(), each.when(), each.again())
                    .filter(java.util.Objects::nonNull)
                    .forEach(told -> html.append(text(units.prose(told))).append(' '));
            html.append("</p>");
        }
    }

    /** When to see whether it worked, and what would tell most until then. */
    private void again(Faces.FieldFaceView face, List<PlannedWork> work) {
        html.append("<h2>When to look again</h2>");
        List<PlannedWork> followed =
                work.stream().filter(each -> each.followUpOn() != null).toList();
        for (PlannedWork each : followed) {
            String what = each.followUp() == null ? "" : " (" + each.followUp() + ")";
            sentence(each.followUpOn().format(DAY) + ": whether this worked: " + lower(each.title()) + what + ".");
        }
        if (followed.isEmpty()) {
            sentence(
                    face.visits().isEmpty()
                            ? "After the first visit."
                            : "No day is agreed. Figures compare best in the season of the last visit, "
                                    + face.visits().get(0).visitedOn().format(DAY) + ".");
        }
        if (face.next() != null) {
            sentence("What to test next: " + units.prose(face.next().reason()));
        }
    }

    private void sentence(String told) {
        html.append("<p>").append(text(told)).append("</p>");
    }

    private static String capital(String told) {
        return told.substring(0, 1).toUpperCase(Locale.ROOT) + told.substring(1);
    }

    /** As within a sentence. */
    static String lower(String told) {
        return told.startsWith("pH") ? told : told.substring(0, 1).toLowerCase(Locale.ROOT) + told.substring(1);
    }

    private void doneOfThePlan(List<PlannedWork> work) {
        List<PlannedWork> done =
                work.stream().filter(each -> each.doneOn() != null).toList();
        if (done.isEmpty()) {
            return;
        }
        head("Done of the plan", "What", "How much", "Done on", "Look again");
        for (PlannedWork each : done) {
            html.append("<tr><td>").append(text(each.title()));
            String much = each.actualRate() == null ? each.amount() : each.actualRate();
            cell(much == null ? "" : units.prose(much));
            cell(each.doneOn().format(DAY));
            cell((each.followUpOn() == null ? "" : each.followUpOn().format(DAY))
                    + (each.followUp() == null ? "" : ": " + each.followUp()));
            html.append("</td></tr>");
        }
        html.append("</tbody></table>");
    }

    private void cell(String content) {
        html.append("</td><td>").append(text(content));
    }

    private static String span(LocalDate from, LocalDate to) {
        if (from == null && to == null) {
            return "";
        }
        if (from == null) {
            return "until " + to.format(DAY);
        }
        return to == null || to.equals(from) ? "from " + from.format(DAY) : from.format(DAY) + " to " + to.format(DAY);
    }

    /** A heading and the head of its table, which comes again on every page that the table goes on to. */
    private void head(String heading, String... columns) {
        html.append("<h2>").append(text(heading)).append("</h2>");
        tableHead(columns);
    }

    private void tableHead(String... columns) {
        html.append("<table><thead><tr>");
        for (String column : columns) {
            html.append("<th>").append(text(column)).append("</th>");
        }
        html.append("</tr></thead><tbody>");
    }

    private void functions(Faces.FieldFaceView face) {
        head("What this soil does", "Function", "Level", "Standing", "Seen");
        for (Sheets.FunctionView function : face.overall().functions()) {
            html.append("<tr><td>").append(text(function.label())).append("</td><td>");
            html.append(
                    function.level() == null
                            ? "<span class='soft'>not enough seen</span>"
                            : "<span class='" + function.level() + "'>" + function.level() + "</span>");
            html.append("</td><td>");
            html.append(function.mean() == null ? "" : String.format(Locale.ROOT, "%.2f", function.mean()));
            html.append("</td><td>")
                    .append(Math.round(100 * function.measuredShare()))
                    .append(" %</td></tr>");
        }
        html.append("</tbody></table>");
    }

    private void changes(List<Changes.SeriesChange> changes) {
        if (changes.isEmpty()) {
            return;
        }
        html.append("<h2>What changed</h2><table>");
        for (Changes.SeriesChange change : changes) {
            html.append("<tr><td>")
                    .append(text(units.prose(change.change().sentence())))
                    .append(" <span class='soft'>");
            html.append(change.change().from().format(DAY))
                    .append(" to ")
                    .append(change.change().to().format(DAY));
            html.append("</span></td></tr>");
        }
        html.append("</table>");
    }

    private void done(List<ManagementEvent> events) {
        if (events.isEmpty()) {
            return;
        }
        html.append("<h2>What was done</h2><table>");
        for (ManagementEvent event : events) {
            html.append("<tr><td>").append(event.happenedOn().format(DAY)).append("</td><td>");
            html.append(text(event.what())).append(event.rate() == null ? "" : ", " + text(event.rate()));
            html.append("</td></tr>");
        }
        html.append("</table>");
    }

    private void pictures(List<Picture> pictures) {
        if (pictures.isEmpty()) {
            return;
        }
        html.append("<h2>Photos</h2><table><tr>");
        for (Picture picture : pictures) {
            html.append("<td style='border:0'><img style='width:42mm' src='data:")
                    .append(picture.type());
            html.append(";base64,").append(Base64.getEncoder().encodeToString(picture.content()));
            html.append("'/><br/><span class='soft'>")
                    .append(text(picture.caption()))
                    .append("</span></td>");
        }
        html.append("</tr></table>");
    }

    private void sheet(Sheets.SheetView sheet) {
        html.append("<h2 class='page'>Sheet of ")
                .append(sheet.visitedOn().format(DAY))
                .append("</h2>");
        html.append("<p>Soil ")
                .append(percent(sheet.soil()))
                .append(", plants ")
                .append(percent(sheet.plant()));
        html.append(sheet.question() == null ? "." : ". " + text(sheet.question()))
                .append("</p>");
        List<String> columns = new java.util.ArrayList<>(List.of("Indicator", "Depth"));
        sheet.stops().forEach(stop -> columns.add(stop.label()));
        columns.add("Field");
        tableHead(columns.toArray(String[]::new));
        for (Sheets.SheetRow row : sheet.rows()) {
            html.append("<tr><td>").append(text(row.label())).append("</td><td class='soft'>");
            html.append(text(units.prose(row.depth()))).append("</td>");
            sheet.stops().forEach(stop -> {
                Sheets.Mark mark = row.stops().get(stop.id().toString());
                html.append("<td>").append(mark == null ? "" : flag(mark)).append("</td>");
            });
            html.append("<td><b>").append(flag(row.field())).append("</b></td></tr>");
        }
        html.append("</tbody></table><p class='soft'>Not measured: ");
        List<String> missing = Stream.concat(sheet.soil().notMeasured().stream(), sheet.plant().notMeasured().stream())
                .toList();
        html.append(missing.isEmpty() ? "nothing" : text(String.join(", ", missing)))
                .append(".</p>");
    }

    private static String percent(Sheets.PointsView points) {
        return points.percent() == null ? "not measured" : Math.round(points.percent()) + " % (" + points.grade() + ")";
    }

    /** One colour for each word: what holds steps back. */
    private static String flag(Sheets.Mark mark) {
        return "<span class='" + mark.flag() + "'>" + mark.flag().replace('-', ' ') + "</span>";
    }
}
