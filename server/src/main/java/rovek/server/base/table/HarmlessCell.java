package rovek.server.base.table;

import java.util.regex.Pattern;

/**
 * Cells of comma-separated values that no spreadsheet takes for a formula: a text that begins like one gets an
 * apostrophe before it, and loses it again when it is read. A number keeps its sign.
 */
public final class HarmlessCell {

    /** Also those of full width, which some programs take for the others. */
    private static final String BEGINS_A_FORMULA = "=+-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20";

    private static final char MARK = '\'';
    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d{1,30}([.,]\\d{1,30})?([eE][+-]?\\d{1,3})?");

    private HarmlessCell() {}

    /** As it is written. */
    static Object written(Object cell) {
        if (cell instanceof Double number) {
            return number == Math.rint(number) && Math.abs(number) < 1e15
                    ? String.valueOf(number.longValue())
                    : number.toString();
        }
        return cell instanceof String text ? written(text) : cell;
    }

    static String written(String text) {
        boolean isRisky = begins(text, 0) && !NUMBER.matcher(text).matches();
        return isRisky || isMarked(text) ? MARK + text : text;
    }

    /** What a cell said before it was written. */
    public static String read(String cell) {
        return isMarked(cell) ? cell.substring(1) : cell;
    }

    private static boolean isMarked(String text) {
        return text.length() > 1 && text.charAt(0) == MARK && (begins(text, 1) || text.charAt(1) == MARK);
    }

    private static boolean begins(String text, int at) {
        return text.length() > at && BEGINS_A_FORMULA.indexOf(text.charAt(at)) >= 0;
    }
}
