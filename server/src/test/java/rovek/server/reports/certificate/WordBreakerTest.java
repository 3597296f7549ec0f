package rovek.server.reports.certificate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class WordBreakerTest {

    private static List<String> parts(String text) {
        WordBreaker breaker = new WordBreaker();
        breaker.setText(text);
        List<String> parts = new ArrayList<>();
        int from = 0;
        for (int to = breaker.next(); to != WordBreaker.DONE; to = breaker.next()) {
            parts.add(text.substring(from, to));
            from = to;
        }
        assertThat(String.join("", parts)).as("nothing is lost").isEqualTo(text);
        return parts;
    }

    @Test
    void linesEndBetweenWords() {
        assertThat(parts("above 4.5 mm/s on P-101")).containsExactly("above ", "4.5 ", "mm/s ", "on ", "P-101");
        assertThat(parts("Velocity 10–1000 Hz  ")).containsExactly("Velocity ", "10–1000 ", "Hz  ");
        assertThat(parts("  P-1")).containsExactly("  ", "P-1");
        assertThat(parts("")).isEmpty();
    }

    @Test
    void onlyAWordTooLongForAColumnIsBroken() {
        assertThat(parts("a very-long-tag-of-some-plant/that-goes-on b"))
                .containsExactly(
                        "a ", "very-", "long-", "tag-", "of-", "some-", "plant/", "that-", "goes-", "on ", "b");
        assertThat(parts("123456789-123456789-1234")).as("24 fit").hasSize(1);
        assertThat(parts("x".repeat(60))).hasSize(1);
    }
}
