package rovek.core.unit;

import java.util.OptionalDouble;
import java.util.regex.Pattern;

/** The mark between whole numbers and decimals; the other one, blanks and apostrophes may part thousands. */
public enum DecimalMark {
    POINT('.', ','),
    COMMA(',', '.');

    private final Pattern number;
    private final char mark;

    DecimalMark(char mark, char thousands) {
        this.mark = mark;
        String parting = "[\\Q" + thousands + "\\E \u00A0\u202F'\u2019]";
        String whole = "(?:\\d{1,3}(?:" + parting + "\\d{3})+|\\d+)";
        String decimals = "(?:\\Q" + mark + "\\E\\d*)?";
        this.number =
                Pattern.compile("[+\u2212-]?(?:" + whole + decimals + "|\\Q" + mark + "\\E\\d+)(?:[eE][+-]?\\d{1,3})?");
    }

    /** The number a text is; empty where it is none written this way, or too large for any measurement. */
    public OptionalDouble read(String text) {
        String written = text.strip();
        if (!number.matcher(written).matches()) {
            return OptionalDouble.empty();
        }
        String plain = written.replace('\u2212', '-').replaceAll("[ \u00A0\u202F'\u2019]", "");
        String parted =
                mark == '.' ? plain.replace(",", "") : plain.replace(".", "").replace(',', '.');
        double value = Double.parseDouble(parted);
        return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
    }
}
