package rovek.server.reports.certificate;

import com.openhtmltopdf.extend.FSTextBreaker;

/**
 * Where a line may end: between words, and in a long word also after a hyphen or a slash. A tag and a unit stay whole:
 * "mm/" at the end of a line is no unit.
 */
final class WordBreaker implements FSTextBreaker {

    static final int DONE = -1;

    /** Longer words than this do not fit into a narrow column. */
    private static final int LONGEST_WHOLE = 24;

    private String text = "";
    private int at;

    @Override
    public void setText(String newText) {
        text = newText;
        at = 0;
    }

    /** @return the next place where a line may end, the end of the text last of all; {@value #DONE} after that */
    @Override
    public int next() {
        if (at >= text.length()) {
            return DONE;
        }
        while (at < text.length()) {
            char c = text.charAt(at++);
            boolean isEndOfGap = isGap(c) && (at == text.length() || !isGap(text.charAt(at)));
            if (isEndOfGap || ("-/\u2013".indexOf(c) >= 0 && wordAround(at - 1) > LONGEST_WHOLE)) {
                return at;
            }
        }
        return at;
    }

    /** How long the word is that a place lies in. */
    private int wordAround(int place) {
        int start = place;
        int end = place;
        while (start > 0 && !isGap(text.charAt(start - 1))) {
            start--;
        }
        while (end < text.length() && !isGap(text.charAt(end))) {
            end++;
        }
        return end - start;
    }

    /** A space that keeps words together is none. */
    private static boolean isGap(char c) {
        return Character.isWhitespace(c);
    }
}
