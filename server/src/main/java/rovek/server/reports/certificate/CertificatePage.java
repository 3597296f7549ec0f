package rovek.server.reports.certificate;

import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.springframework.web.util.HtmlUtils;
import rovek.core.certificate.CertificateContent;
import rovek.core.certificate.CertificateRow;
import rovek.core.entry.PlainText;
import rovek.core.limit.Bounds;
import rovek.core.limit.Range;
import rovek.core.limit.Verdict;
import rovek.core.unit.ShownNumber;
import rovek.core.unit.UnitCatalogue;

/**
 * A certificate as a page: the same XHTML is the preview on the screen and the source of the PDF.
 *
 * @param number as given; a preview says that it has none yet
 * @param signedOn date of signing, blank in a preview
 */
record CertificatePage(CertificateContent content, Optional<String> number, String signedOn) {

    private static final int LONGEST_TEXT = 10_000;

    private static final String STYLE = """
            @page { size: A4; margin: 18mm 16mm 20mm 16mm;
              @bottom-left { content: "%s"; font: 8pt 'Source Sans 3'; color: #4A5257; }
              @bottom-right { content: "Page " counter(page) " of " counter(pages); font: 8pt 'Source Sans 3'; color: #4A5257; } }
            body { font: 10pt/1.35 'Source Sans 3', sans-serif; color: #1E2528; margin: 0; }
            h1 { font-size: 19pt; font-weight: 600; margin: 0 0 2mm; } h2 { font-size: 11pt; font-weight: 600; margin: 6mm 0 2mm; }
            .number { font-size: 11pt; font-weight: 600; } .preview { color: #A8321F; font-weight: 600; }
            table { width: 100%; border-collapse: collapse; -fs-table-paginate: paginate; } tr { page-break-inside: avoid; }
            th { text-align: left; font-weight: 600; border-bottom: 1.2pt solid #1E2528; padding: 1mm 2mm 1mm 0; }
            td { border-bottom: 0.4pt solid #B8AD94; padding: 1mm 2mm 1mm 0; vertical-align: top; }
            .n { text-align: right; } .facts td { border: 0; padding: 0.4mm 4mm 0.4mm 0; }
            .facts td:first-child { width: 34mm; color: #4A5257; }
            .PASS { color: #1E7A5F; } .WATCH { color: #9A5B00; } .FAIL { color: #A8321F; } .NOT_JUDGED { color: #5E635E; }
            .v { font-weight: 600; }
            .sign { margin-top: 10mm; border-top: 0.6pt solid #1E2528; width: 80mm; padding-top: 1mm; }
            .small { font-size: 8.5pt; color: #4A5257; }
            """;

    String html() {
        return "<html lang=\"en\"><head><title>" + text(title()) + "</title><style>" + STYLE.replace("%s", footer())
                + "</style></head><body>"
                + "<h1>Inspection certificate</h1>"
                + number.map(given -> "<div class=\"number\">No. " + text(given) + "</div>")
                        .orElse("<div class=\"preview\">Preview: not signed, no number</div>")
                + facts()
                + "<h2>Finding</h2><p>" + text(content.finding()) + "</p>"
                + results()
                + overridden()
                + notJudged()
                + "<p class=\"small\">Decision rule: simple acceptance. A value on its limit is within it unless "
                + "the limit says otherwise; values are compared as measured, "
                + "without allowance for measurement uncertainty.</p>"
                + signature()
                + "</body></html>";
    }

    String title() {
        return number.map(given -> "Inspection certificate " + given).orElse("Inspection certificate, preview");
    }

    /** Which paper a loose sheet belongs to. A number has nothing in it that would end a CSS string. */
    private String footer() {
        return number.map(given -> "Certificate no. " + given).orElse("Preview");
    }

    private String facts() {
        StringBuilder facts = new StringBuilder("<h2>What and who</h2><table class=\"facts\">");
        fact(facts, "Client", content.client());
        fact(facts, "Site", content.site());
        fact(facts, "Assets", assets());
        fact(facts, "Work", content.work());
        fact(
                facts,
                "Measured on",
                "%s (%s)".formatted(content.visitOn(), content.zone().getId()));
        fact(facts, "Measured by", content.technician());
        for (CertificateContent.InstrumentStatement instrument : content.instruments()) {
            fact(
                    facts,
                    "Instrument",
                    "%s, calibrated on %s, due again on %s"
                            .formatted(
                                    instrument.name(),
                                    instrument
                                            .calibratedOn()
                                            .map(Object::toString)
                                            .orElse("a date not known"),
                                    instrument
                                            .calibratedUntil()
                                            .map(Object::toString)
                                            .orElse("a date not known")));
        }
        for (CertificateContent.SensorStatement sensor : content.sensors()) {
            fact(
                    facts,
                    "Sensor",
                    sensor.isRegistered()
                            ? "%s, %s"
                                    .formatted(
                                            sensor.name(),
                                            sensor.calibratedOn()
                                                    .map(on -> "calibrated on " + on
                                                            + sensor.dueOn()
                                                                    .map(due -> ", due again on " + due)
                                                                    .orElse(""))
                                                    .orElse("its calibration is not known"))
                            : sensor.name() + ", not in the register of sensors");
        }
        if (content.isByHand()) {
            fact(
                    facts,
                    "Written by hand",
                    content.instruments().isEmpty()
                            ? "all results, as " + content.technician() + " read them"
                            : "results of checks that take no instrument");
        }
        content.files().forEach(file -> fact(facts, "Came as a file", file + "; not read from the instrument itself"));
        return facts.append("</table>").toString();
    }

    private static void fact(StringBuilder into, String name, String value) {
        into.append("<tr><td>")
                .append(name)
                .append("</td><td>")
                .append(text(value.isBlank() ? "not stated" : value))
                .append("</td></tr>");
    }

    private String assets() {
        return content.rows().stream()
                .map(row -> (row.assetTag() + " " + row.assetName()).strip())
                .distinct()
                .collect(Collectors.joining(", "));
    }

    private String results() {
        StringBuilder table = new StringBuilder(
                "<h2>Results</h2><table><thead><tr><th>Asset</th><th>Check</th><th>Quantity</th>"
                        + "<th class=\"n\">Result</th><th>Unit</th><th>Watch</th><th>Fail</th><th>Verdict</th></tr></thead><tbody>");
        for (CertificateRow row : content.rows()) {
            String asset = row.assetTag().isBlank() ? row.assetName() : row.assetTag();
            table.append("<tr><td>")
                    .append(text(asset))
                    .append("</td><td>")
                    .append(text(row.check()))
                    .append(small(row.note()))
                    .append(
                            row.verdict() == Verdict.NOT_JUDGED
                                    ? ""
                                    : small(row.judgement().reason()))
                    .append("</td><td>")
                    .append(text(row.quantity()))
                    .append("</td><td class=\"n\">")
                    .append(value(row))
                    .append("</td><td>")
                    .append(text(
                            isAnswer(row)
                                            || (row.value().isEmpty()
                                                    && row.unit().equals(UnitCatalogue.ONE))
                                    ? ""
                                    : row.unit().shown()))
                    .append("</td><td>")
                    .append(boundaries(row, Bounds::watch))
                    .append("</td><td>")
                    .append(boundaries(row, Bounds::fail))
                    .append("</td><td class=\"v ")
                    .append(row.verdict())
                    .append("\">")
                    .append(word(row.verdict()))
                    .append("</td></tr>");
        }
        return table.append("</tbody></table>").toString();
    }

    private static String small(String said) {
        return said.isBlank() ? "" : "<br/><span class=\"small\">" + text(said) + "</span>";
    }

    /** Rounded so that it lies on the same side of every boundary as it does. */
    private static String value(CertificateRow row) {
        if (isAnswer(row)) {
            return row.value().map(amount -> answer(amount.value())).orElse("–");
        }
        double[] boundaries = row.bounds().stream()
                .flatMap(bounds -> Stream.of(bounds.watch(), bounds.fail()))
                .flatMapToDouble(range -> DoubleStream.of(range.low(), range.high()))
                .filter(Double::isFinite)
                .toArray();
        return row.value()
                .map(amount -> ShownNumber.beside(amount.value(), boundaries))
                .orElse("–");
    }

    /** Of a question, which is answered with yes or no and never with a number. */
    private static boolean isAnswer(CertificateRow row) {
        return row.unit().equals(UnitCatalogue.YES_OR_NO);
    }

    private static String answer(double value) {
        return value < 0.5 ? "no" : "yes";
    }

    /** "above 4.5", "below 2", "outside 5.5 to 6.6", "within 3 to 5". */
    private static String boundaries(CertificateRow row, Function<Bounds, Range> which) {
        String all = row.bounds().stream()
                .filter(bounds -> !which.apply(bounds).equals(Range.ALL)
                        && !which.apply(bounds).equals(Range.NONE))
                .map(bounds -> isAnswer(row)
                        ? answer(Double.isInfinite(which.apply(bounds).low()) ? 1 : 0)
                        : boundary(which.apply(bounds), bounds.isForbidden(), row.boundaryIsPast()))
                .collect(Collectors.joining(", "));
        return all.isEmpty() ? "–" : text(all);
    }

    /** The words say whether a value on the boundary is past it. */
    private static String boundary(Range range, boolean isForbidden, boolean isPast) {
        if (Double.isInfinite(range.low())) {
            return (isPast ? "from %s on" : "above %s").formatted(printed(range.high()));
        }
        if (Double.isInfinite(range.high())) {
            return (isPast ? "%s and below" : "below %s").formatted(printed(range.low()));
        }
        return "%s %s to %s%s"
                .formatted(
                        isForbidden ? "within" : "outside",
                        printed(range.low()),
                        printed(range.high()),
                        isPast ? ", or on it" : "");
    }

    private static String printed(double boundary) {
        return ShownNumber.limit(boundary, OptionalInt.empty());
    }

    /** Verdicts that a person gave instead of the computed ones, each with why. */
    private String overridden() {
        String lines = content.rows().stream()
                .flatMap(row -> row.judgement().overridden().stream()
                        .map(one -> "<li>"
                                + text("%s, %s: %s instead of %s, by %s on %s: %s"
                                        .formatted(
                                                (row.assetTag() + " " + row.check()).strip(),
                                                row.quantity(),
                                                word(row.verdict()),
                                                word(one.computed()),
                                                one.by(),
                                                LocalDate.ofInstant(one.at(), content.zone()),
                                                one.because()))
                                + "</li>"))
                .collect(Collectors.joining());
        return lines.isEmpty() ? "" : "<h2>Verdicts given by a person</h2><ul>" + lines + "</ul>";
    }

    private String notJudged() {
        if (content.notJudged().isEmpty()) {
            return "<h2>Not judged</h2><p>Every result was judged.</p>";
        }
        return "<h2>Not judged</h2><ul>"
                + content.notJudged().stream()
                        .map(row -> "<li>"
                                + text((row.assetTag() + " " + row.check()).strip() + ", " + row.quantity() + ": "
                                        + row.reasonNotJudged())
                                + "</li>")
                        .collect(Collectors.joining())
                + "</ul>";
    }

    private String signature() {
        return "<div class=\"sign\">"
                + content.reviewer()
                        .map(reviewer -> "Reviewed and signed by " + text(reviewer) + " on "
                                + text("%s (%s)"
                                        .formatted(signedOn, content.zone().getId())))
                        .orElse("Not signed yet")
                + "</div>";
    }

    private static String word(Verdict verdict) {
        return verdict == Verdict.NOT_JUDGED ? "not judged" : verdict.name().toLowerCase(Locale.ROOT);
    }

    private static String text(String raw) {
        // What an earlier version kept may hold what no page can: it is printed without.
        return HtmlUtils.htmlEscape(PlainText.kept(raw, LONGEST_TEXT), "UTF-8");
    }
}
