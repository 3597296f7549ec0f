package rovek.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class SentenceTest {

    private static final Sentence ONE = Sentence.of("a.one");
    private static final Sentence TWO = Sentence.of("a.two", "n", 2);

    @Test
    void whatIsNotThereIsSaidAsNothing() {
        String none = null;
        assertThat(Sentence.of("a.day", "day", none).values()).containsEntry("day", "");
    }

    @Test
    void theLogReadsWhatWasSaidWithItsValues() {
        assertThat(Sentence.of("a.both", "b", TWO, "a", "x")).hasToString("a.both {a=x, b=a.two {n=2}}");
        assertThat(ONE).hasToString("a.one");
        assertThat(Sentence.plain("as it is")).hasToString("as it is");
        assertThat(Sentence.named("names.x", "as usual")).hasToString("as usual");
    }

    @Test
    void severalAreOneAfterTheOtherOrListed() {
        assertThat(Sentence.joined(List.of())).isEqualTo(Sentence.NONE);
        assertThat(Sentence.joined(List.of(ONE))).isEqualTo(ONE);
        assertThat(Sentence.joined(List.of(ONE, TWO))).isEqualTo(Sentence.of("base.both", "one", ONE, "next", TWO));
        assertThat(Sentence.listed(List.of(ONE, TWO))).isEqualTo(Sentence.of("base.listed", "one", ONE, "next", TWO));
        assertThat(Sentence.listed(List.of()).isBlank()).isTrue();
    }

    /** Only what was refused says why to people; a fault of the program does not. */
    @Test
    void aFaultOfTheProgramSaysNoMoreThanItsCallerDoes() {
        assertThat(Refused.why(new Refused(TWO), ONE)).isEqualTo(TWO);
        assertThat(Refused.why(new IllegalArgumentException("secret"), ONE)).isEqualTo(ONE);
        assertThat(new Refused(TWO)).hasMessage("a.two {n=2}");
    }
}
