package rovek.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
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

    @Test
    void aGreatManyAreNotNestedDeeply() {
        List<Sentence> many = IntStream.range(0, 50_000)
                .mapToObj(i -> Sentence.of("a.row", "n", i))
                .toList();
        for (Sentence all : List.of(Sentence.joined(many), Sentence.listed(many))) {
            assertThat(depth(all)).as("twice as many are one level more").isEqualTo(17);
            assertThat(numbers(all).toArray())
                    .as("in their order")
                    .isEqualTo(IntStream.range(0, 50_000).toArray());
            assertThat(all.toString()).contains("a.row {n=0}", "a.row {n=49999}");
        }
    }

    private static int depth(Sentence sentence) {
        return 1
                + sentence.values().values().stream()
                        .mapToInt(value -> value instanceof Sentence part ? depth(part) : 0)
                        .max()
                        .orElse(0);
    }

    private static IntStream numbers(Sentence sentence) {
        return sentence.values().get("n") instanceof Integer n
                ? IntStream.of(n)
                : IntStream.concat(numbers((Sentence) sentence.values().get("one")), numbers((Sentence)
                        sentence.values().get("next")));
    }

    /** Only what was refused says why to people; a fault of the program does not. */
    @Test
    void aFaultOfTheProgramSaysNoMoreThanItsCallerDoes() {
        assertThat(Refused.why(new Refused(TWO), ONE)).isEqualTo(TWO);
        assertThat(Refused.why(new IllegalArgumentException("secret"), ONE)).isEqualTo(ONE);
        assertThat(new Refused(TWO)).hasMessage("a.two {n=2}");
    }
}
