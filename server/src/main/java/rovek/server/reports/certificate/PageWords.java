package rovek.server.reports.certificate;

import java.text.DecimalFormatSymbols;
import java.util.Locale;
import java.util.Map;
import org.springframework.web.util.HtmlUtils;
import rovek.core.entry.PlainText;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.DayFormat;
import rovek.server.base.wording.Wording;

/** What stands on a page, in its language, harmless in XHTML; days as ISO 8601, whoever reads it. */
record PageWords(Locale language) {

    private static final int LONGEST_TEXT = 10_000;

    private static final Map<Verdict, String> VERDICTS = Map.of(
            Verdict.PASS, "reports.pass",
            Verdict.WATCH, "reports.watch",
            Verdict.FAIL, "reports.fail",
            Verdict.NOT_JUDGED, "reports.notJudged");

    String say(String key, Object... values) {
        return say(Sentence.of(key, values));
    }

    String say(Sentence sentence) {
        return text(Wording.SHIPPED.of(sentence, DayFormat.chosen(language, DayFormat.ISO)));
    }

    String heading(String key) {
        return "<h2>" + say(key) + "</h2>";
    }

    String verdict(Verdict verdict) {
        return say(VERDICTS.get(verdict));
    }

    /** A number in plain notation, with the decimal mark of the language. */
    String number(String plain) {
        return plain.replace('.', DecimalFormatSymbols.getInstance(language).getDecimalSeparator());
    }

    /** What people typed and data says, as it is. */
    static String text(String raw) {
        // What an earlier version kept may hold what no page can: it is printed without.
        return HtmlUtils.htmlEscape(PlainText.kept(raw, LONGEST_TEXT), "UTF-8");
    }
}
