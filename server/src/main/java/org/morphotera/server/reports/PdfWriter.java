package org.morphotera.server.reports;

import com.openhtmltopdf.extend.FSSupplier;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceControlPriority;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import org.morphotera.server.web.RefusedException;
import org.morphotera.server.web.TextRule;
import org.springframework.web.util.HtmlUtils;

/** Turns XHTML with inline SVG into a PDF of A4 pages. Nothing is fetched while it does. */
public final class PdfWriter {

    /** The look of letters that every reader of PDF has; others are shipped, and taken where a text needs them. */
    private static final String PLAIN = "Helvetica";

    private static final String WIDE = "'Wide', 'Far East', 'Any script'";
    private static final Charset PLAIN_LETTERS = Charset.forName("windows-1252");
    private static final int MOST_CHARACTERS = 3_000_000;
    private static final int MOST_PAGES = 80;

    private static final String STYLE = """
            @page { size: A4; margin: 16mm 15mm 18mm 15mm;
              @bottom-right { content: counter(page) " of " counter(pages); font: 8pt Helvetica; color: #4b5a55; }
              @bottom-left { content: "Morphotera"; font: 8pt Helvetica; color: #4b5a55; } }
            body { font: 9.5pt Helvetica; color: #14211e; line-height: 1.35; }
            h1 { font-size: 21pt; margin: 0 0 2mm 0; } h2 { font-size: 12.5pt; margin: 6mm 0 1.5mm 0; page-break-after: avoid; -fs-page-break-min-height: 48mm; }
            p { margin: 0 0 2mm 0; } .soft { color: #4b5a55; } .lead { font-size: 14pt; font-weight: bold; }
            table { border-collapse: collapse; width: 100%; -fs-table-paginate: paginate; }
            thead { display: table-header-group; } tr { page-break-inside: avoid; }
            th, td { text-align: left; padding: 1.1mm 2mm 1.1mm 0; border-bottom: 0.3pt solid #cdd5cf;
              vertical-align: top; } th { font-weight: bold; }
            .robust { color: #0c6a60; } .serviceable { color: #37658c; } .strained { color: #935a05; }
            .failing { color: #8b2c5b; } .robust, .serviceable, .strained, .failing { font-weight: bold; }
            .whole { page-break-inside: avoid; } .page { page-break-before: always; margin-top: 0; }
            .look-into { color: #8b2c5b; font-weight: bold; } .watch { color: #935a05; font-weight: bold; } .hold { color: #4b5a55; }
            .write { height: 8mm; border-bottom: 0.6pt solid #14211e; } .box { border: 0.6pt solid #14211e; }
            .test { page-break-inside: avoid; margin-top: 4mm; border-top: 0.8pt solid #14211e; padding-top: 1.5mm; }
            """;

    private PdfWriter() {}

    /** @param body XHTML of the body; every text in it escaped by {@link #text} */
    public static byte[] write(String title, String body) {
        if (body.length() > MOST_CHARACTERS) {
            throw tooLong();
        }
        boolean plain = PLAIN_LETTERS.newEncoder().canEncode(HtmlUtils.htmlUnescape(title + body));
        String page = "<html><head><title>" + text(title) + "</title><style>"
                + (plain ? STYLE : STYLE.replace(PLAIN, WIDE)) + "</style></head><body>" + body + "</body></html>";
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (BatikSVGDrawer svg = new BatikSVGDrawer()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useSVGDrawer(svg);
            builder.withHtmlContent(page, null);
            builder.useExternalResourceAccessControl(
                    (uri, type) -> uri.startsWith("data:image/"),
                    ExternalResourceControlPriority.RUN_BEFORE_RESOLVING_URI);
            if (!plain) {
                fonts(builder);
            }
            builder.toStream(out);
            try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
                renderer.layout();
                if (renderer.getRootBox().getLayer().getPages().size() > MOST_PAGES) {
                    throw tooLong();
                }
                renderer.createPDF();
            }
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Latin, Greek, Cyrillic and more, then the characters of the Far East, then what neither of them has. */
    private static void fonts(PdfRendererBuilder builder) {
        builder.useFont(file("DejaVuSans.ttf"), "Wide", 400, BaseRendererBuilder.FontStyle.NORMAL, true);
        builder.useFont(file("DejaVuSans-Bold.ttf"), "Wide", 700, BaseRendererBuilder.FontStyle.NORMAL, true);
        builder.useFont(file("DroidSansFallbackFull.ttf"), "Far East", 400, BaseRendererBuilder.FontStyle.NORMAL, true);
        builder.useFont(file("any-script.ttf"), "Any script", 400, BaseRendererBuilder.FontStyle.NORMAL, true);
    }

    private static FSSupplier<InputStream> file(String name) {
        return () -> PdfWriter.class.getResourceAsStream("/fonts/" + name);
    }

    private static RefusedException tooLong() {
        return RefusedException.of("", "TOO_LONG", "This report is too long to print. Take tests or stops out of it.");
    }

    /** A text as XHTML; our own few signs in characters that the standard fonts of PDF have. */
    public static String text(String raw) {
        String plain = TextRule.printable(raw)
                .replace('−', '-')
                .replace("√h", "sqrt(h)")
                .replace('₂', '2')
                .replace("Σ", "sum");
        return HtmlUtils.htmlEscapeDecimal(plain, "UTF-8");
    }
}
