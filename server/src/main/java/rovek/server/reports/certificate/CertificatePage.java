package rovek.server.reports.certificate;

import static rovek.server.reports.certificate.PageWords.text;

import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import rovek.core.certificate.CertificateContent;
import rovek.core.certificate.CertificateRow;
import rovek.core.limit.Judgement;
import rovek.core.wording.Sentence;

/**
 * A certificate as a page: the same XHTML is the preview on the screen and the source of the PDF.
 *
 * @param language that it is written in
 * @param number as given; a preview says that it has none yet
 * @param signedOn date of signing, blank in a preview
 */
record CertificatePage(CertificateContent content, Locale language, Optional<String> number, String signedOn) {

    private static final String STYLE = """
            @page { size: A4; margin: 18mm 16mm 20mm 16mm;
              @bottom-left { content: "%footer"; font: 8pt 'Source Sans 3'; color: #4A5257; }
              @bottom-right { content: "%page " counter(page) " %of " counter(pages); font: 8pt 'Source Sans 3'; color: #4A5257; } }
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

    private PageWords words() {
        return new PageWords(language);
    }

    String html() {
        PageWords words = words();
        // A number has nothing in it that would end a CSS string, and neither have the words.
        String style = STYLE.replace("%footer", footer())
                .replace("%page", words.say("reports.page"))
                .replace("%of", words.say("reports.pageOf"));
        return "<html lang=\"" + language.toLanguageTag() + "\"><head><title>" + text(title()) + "</title><style>"
                + style
                + "</style></head><body><h1>" + words.say("reports.title") + "</h1>"
                + number.map(given ->
                                "<div class=\"number\">" + words.say("reports.number", "number", given) + "</div>")
                        .orElseGet(() -> "<div class=\"preview\">" + words.say("reports.preview") + "</div>")
                + facts()
                + words.heading("reports.findingTitle") + "<p>" + words.say(content.finding()) + "</p>"
                + new ResultTable(words).html(content.rows())
                + overridden()
                + notJudged()
                + "<p class=\"small\">" + words.say("reports.decisionRule") + "</p>"
                + signature()
                + "</body></html>";
    }

    String title() {
        return number.map(given -> words().say("reports.title") + " " + given)
                .orElseGet(() -> words().say("reports.titlePreview"));
    }

    /** Which paper a loose sheet belongs to. */
    private String footer() {
        return number.map(given -> words().say("reports.footer", "number", given))
                .orElseGet(() -> words().say("reports.footerPreview"));
    }

    private String facts() {
        PageWords words = words();
        StringBuilder facts = new StringBuilder(words.heading("reports.facts") + "<table class=\"facts\">");
        fact(facts, "reports.client", text(content.client()));
        fact(facts, "reports.site", text(content.site()));
        fact(facts, "reports.assets", text(assets()));
        fact(facts, "reports.work", text(content.work()));
        fact(facts, "reports.measuredOn", text(inZone(content.visitOn().toString())));
        fact(facts, "reports.measuredBy", text(content.technician()));
        content.instruments()
                .forEach(one -> fact(
                        facts,
                        "reports.instrument",
                        words.say(
                                "reports.calibrated",
                                "name",
                                one.name(),
                                "on",
                                dated(one.calibratedOn()),
                                "due",
                                dated(one.calibratedUntil()))));
        content.sensors().forEach(one -> fact(facts, "reports.sensor", sensor(one)));
        if (content.isByHand()) {
            fact(
                    facts,
                    "reports.byHand",
                    content.instruments().isEmpty()
                            ? words.say("reports.allByHand", "who", content.technician())
                            : words.say("reports.someByHand"));
        }
        content.files().forEach(file -> fact(facts, "reports.importedFile", words.say(file)));
        return facts.append("</table>").toString();
    }

    private void fact(StringBuilder into, String key, String value) {
        into.append("<tr><td>")
                .append(words().say(key))
                .append("</td><td>")
                .append(value.isBlank() ? words().say("reports.notStated") : value)
                .append("</td></tr>");
    }

    private String inZone(String day) {
        return "%s (%s)".formatted(day, content.zone().getId());
    }

    private Object dated(Optional<LocalDate> day) {
        return day.isPresent() ? day.get() : Sentence.of("reports.unknownDate");
    }

    private String sensor(CertificateContent.SensorStatement sensor) {
        Sentence name = sensor.name();
        if (!sensor.isRegistered()) {
            return words().say("reports.sensorUnregistered", "name", name);
        }
        if (sensor.calibratedOn().isEmpty()) {
            return words().say("reports.sensorUnknown", "name", name);
        }
        LocalDate on = sensor.calibratedOn().get();
        return sensor.dueOn().isEmpty()
                ? words().say("reports.sensorCalibrated", "name", name, "on", on)
                : words().say(
                                "reports.calibrated",
                                "name",
                                name,
                                "on",
                                on,
                                "due",
                                sensor.dueOn().get());
    }

    private String assets() {
        return content.rows().stream()
                .map(row -> (row.assetTag() + " " + row.assetName()).strip())
                .distinct()
                .collect(Collectors.joining(", "));
    }

    /** Verdicts that a person gave instead of the computed ones, each with why. */
    private String overridden() {
        String lines = content.rows().stream()
                .flatMap(row ->
                        row.judgement().overridden().stream().map(one -> "<li>" + overridden(row, one) + "</li>"))
                .collect(Collectors.joining());
        return lines.isEmpty() ? "" : words().heading("reports.byPersons") + "<ul>" + lines + "</ul>";
    }

    private String overridden(CertificateRow row, Judgement.Overridden one) {
        return words().say(
                        "reports.overridden",
                        "check",
                        checkOf(row),
                        "quantity",
                        row.quantity(),
                        "verdict",
                        words().verdict(row.verdict()),
                        "computed",
                        words().verdict(one.computed()),
                        "by",
                        one.by(),
                        "on",
                        LocalDate.ofInstant(one.at(), content.zone()),
                        "because",
                        one.because());
    }

    private static String checkOf(CertificateRow row) {
        return (row.assetTag() + " " + row.check()).strip();
    }

    private String notJudged() {
        String heading = words().heading("reports.notJudgedTitle");
        if (content.notJudged().isEmpty()) {
            return heading + "<p>" + words().say("reports.allJudged") + "</p>";
        }
        return heading + "<ul>"
                + content.notJudged().stream()
                        .map(row -> "<li>" + text(checkOf(row) + ", " + row.quantity() + ": ")
                                + words().say(row.reasonNotJudged()) + "</li>")
                        .collect(Collectors.joining())
                + "</ul>";
    }

    private String signature() {
        return "<div class=\"sign\">"
                + content.reviewer()
                        .map(reviewer -> words().say("reports.signed", "who", reviewer, "on", inZone(signedOn)))
                        .orElseGet(() -> words().say("reports.notSignedYet"))
                + "</div>";
    }
}
