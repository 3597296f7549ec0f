package rovek.server.reports.certificate;

import static rovek.server.reports.certificate.PageWords.text;

import java.util.List;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import rovek.core.certificate.CertificateRow;
import rovek.core.limit.Bounds;
import rovek.core.limit.Range;
import rovek.core.limit.Verdict;
import rovek.core.unit.ShownNumber;
import rovek.core.unit.UnitCatalogue;

/** The results of a certificate, each with its boundaries and its verdict. */
record ResultTable(PageWords words) {

    String html(List<CertificateRow> rows) {
        StringBuilder table = new StringBuilder(words.heading("reports.results") + "<table><thead><tr>"
                + column("reports.columnAsset")
                + column("reports.columnCheck")
                + column("reports.columnQuantity")
                + "<th class=\"n\">" + words.say("reports.columnResult") + "</th>"
                + column("reports.columnUnit")
                + column("reports.columnWatch")
                + column("reports.columnFail")
                + column("reports.columnVerdict")
                + "</tr></thead><tbody>");
        rows.forEach(row -> table.append(line(row)));
        return table.append("</tbody></table>").toString();
    }

    private String column(String key) {
        return "<th>" + words.say(key) + "</th>";
    }

    private String line(CertificateRow row) {
        String asset = row.assetTag().isBlank() ? row.assetName() : row.assetTag();
        boolean isJudged = row.verdict() != Verdict.NOT_JUDGED;
        return "<tr><td>" + text(asset)
                + "</td><td>" + text(row.check()) + small(text(row.note()))
                + (isJudged ? small(words.say(row.judgement().reason())) : "")
                + "</td><td>" + text(row.quantity())
                + "</td><td class=\"n\">" + value(row)
                + "</td><td>" + text(unit(row))
                + "</td><td>" + boundaries(row, Bounds::watch)
                + "</td><td>" + boundaries(row, Bounds::fail)
                + "</td><td class=\"v " + row.verdict() + "\">" + words.verdict(row.verdict())
                + "</td></tr>";
    }

    private static String small(String said) {
        return said.isBlank() ? "" : "<br/><span class=\"small\">" + said + "</span>";
    }

    /** Of a question, which is answered with yes or no and never with a number. */
    private static boolean isAnswer(CertificateRow row) {
        return row.unit().equals(UnitCatalogue.YES_OR_NO);
    }

    private static String unit(CertificateRow row) {
        boolean isNothing = row.value().isEmpty() && row.unit().equals(UnitCatalogue.ONE);
        return isAnswer(row) || isNothing ? "" : row.unit().shown();
    }

    private String answer(double value) {
        return words.say(value < 0.5 ? "reports.no" : "reports.yes");
    }

    /** Rounded so that it lies on the same side of every boundary as it does. */
    private String value(CertificateRow row) {
        if (isAnswer(row)) {
            return row.value().map(amount -> answer(amount.value())).orElse("–");
        }
        double[] boundaries = row.bounds().stream()
                .flatMap(bounds -> Stream.of(bounds.watch(), bounds.fail()))
                .flatMapToDouble(range -> DoubleStream.of(range.low(), range.high()))
                .filter(Double::isFinite)
                .toArray();
        return row.value()
                .map(amount -> words.number(ShownNumber.beside(amount.value(), row.decimals(), boundaries)))
                .orElse("–");
    }

    /** "above 4.5", "below 2", "outside 5.5 to 6.6", "within 3 to 5". */
    private String boundaries(CertificateRow row, Function<Bounds, Range> which) {
        String all = row.bounds().stream()
                .filter(bounds -> !which.apply(bounds).equals(Range.ALL)
                        && !which.apply(bounds).equals(Range.NONE))
                .map(bounds -> isAnswer(row)
                        ? answer(Double.isInfinite(which.apply(bounds).low()) ? 1 : 0)
                        : boundary(which.apply(bounds), bounds.isForbidden(), row))
                .collect(Collectors.joining(", "));
        return all.isEmpty() ? "–" : all;
    }

    /** The words say whether a value on the boundary is past it. */
    private String boundary(Range range, boolean isForbidden, CertificateRow row) {
        boolean isPast = row.boundaryIsPast();
        if (Double.isInfinite(range.low())) {
            return words.say(isPast ? "reports.fromOn" : "reports.above", "end", limit(range.high(), row.decimals()));
        }
        if (Double.isInfinite(range.high())) {
            return words.say(isPast ? "reports.andBelow" : "reports.below", "end", limit(range.low(), row.decimals()));
        }
        String within = isPast ? "reports.withinOrOn" : "reports.within";
        String outside = isPast ? "reports.outsideOrOn" : "reports.outside";
        return words.say(
                isForbidden ? within : outside,
                "low",
                limit(range.low(), row.decimals()),
                "high",
                limit(range.high(), row.decimals()));
    }

    private String limit(double boundary, OptionalInt decimals) {
        return words.number(ShownNumber.limit(boundary, decimals));
    }
}
