package rovek.core.entry;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;

class PlainTextTest {

    @Test
    void strangersAreFoundWhereverTheyStand() {
        for (int code : new int[] {
            0, 0x0B, 0x1B, 0x7F, 0x85, 0xFFFE, 0xFFFF, 0xFDD0, 0xFDEF, 0x1FFFE, 0x10FFFF, 0xD800, 0xDBFF, 0xDC00, 0xDFFF
        }) {
            String stranger = new String(new int[] {code}, 0, 1);
            for (String text : List.of(stranger, "a" + stranger, stranger + "b", "a" + stranger + "b")) {
                assertThat(PlainText.firstStranger(text)).as("U+%04X", code).hasValue(code);
                assertThat(PlainText.kept(text, 100)).isEqualTo(text.replace(stranger, "\uFFFD"));
                assertThat(PlainText.without(text, 100)).isEqualTo(text.replace(stranger, ""));
            }
        }
        for (String text : List.of(
                "", "Pumpe Nr. 7 läuft \u2013 µm/s² \uD83D\uDD27", "two\nlines\tand\r\n", "\uFDCF\uFDF0\uFFFD\uE000")) {
            assertThat(PlainText.firstStranger(text)).isEmpty();
            assertThat(PlainText.kept(text, 100)).isSameAs(text);
        }
    }

    @Test
    void aTextThatIsTooLongIsCutBetweenCharacters() {
        assertThat(PlainText.kept("abc", 2)).isEqualTo("ab");
        assertThat(PlainText.kept("a\uD83D\uDD27b", 2)).as("no half of a pair").isEqualTo("a");
        assertThat(PlainText.kept("a\uD83D\uDD27b", 3)).isEqualTo("a\uD83D\uDD27");
        assertThat(PlainText.kept("abc", 0)).isEmpty();
    }

    /** An XML reader, which knows nothing of ours, takes every code point that is let through. */
    @Test
    void whateverIsLetThroughMayStandInXml() throws Exception {
        List<Integer> refused = new ArrayList<>();
        StringBuilder all = new StringBuilder();
        for (int code = 1; code <= Character.MAX_CODE_POINT; code++) {
            if (code != '&' && code != '<') {
                all.appendCodePoint(code);
            }
        }
        String kept = PlainText.kept(all.toString(), Integer.MAX_VALUE);
        try {
            DocumentBuilderFactory.newInstance()
                    .newDocumentBuilder()
                    .parse(new InputSource(new StringReader("<t>" + kept + "</t>")));
        } catch (SAXException e) {
            refused.add(1);
        }
        assertThat(refused).isEmpty();
    }
}
