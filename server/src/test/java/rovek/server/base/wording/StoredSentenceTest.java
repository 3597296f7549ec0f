package rovek.server.base.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rovek.core.wording.Sentence;

/** What is written down is read later in whichever language: by the end of a job, by a history, by an original. */
class StoredSentenceTest {

    private static final Sentence TAKEN = Sentence.of(
            "intake.leftOut",
            "readings",
            1,
            "first",
            Sentence.of(
                    "packet.reason",
                    "where",
                    "readings.ndjson:2",
                    "why",
                    Sentence.of("unit.unknown", "symbol", "m\"")));

    @Test
    void itIsReadInTheLanguageOfWhoeverReads() {
        Sentence read = StoredSentence.read(StoredSentence.write(TAKEN));
        assertThat(Wording.SHIPPED.of(read, Locale.ENGLISH))
                .isEqualTo("1 reading could not be read: readings.ndjson:2: \"m\"\" is not a known unit. "
                        + "The reasons are listed with the original; it can be imported again.");
        assertThat(Wording.SHIPPED.of(read, Locale.GERMAN))
                .startsWith("1 Messung war nicht lesbar: readings.ndjson:2: „m\"“ ist keine bekannte Einheit. Die");
    }

    @Test
    void numbersAreThoseOfTheReaderToTheirLastDigit() {
        Sentence small = Sentence.of("live.emptyLimit", "low", 0.00012, "high", new BigDecimal("-1234.5678"));
        Sentence read = StoredSentence.read(StoredSentence.write(small));
        assertThat(Wording.SHIPPED.of(read, Locale.ENGLISH)).contains("above 0.00012 and below -1234.5678");
        assertThat(Wording.SHIPPED.of(read, Locale.GERMAN)).contains("über 0,00012 und unter -1234,5678");
        Sentence large = Sentence.of("packet.tooManyReadings", "most", 200_000);
        assertThat(Wording.SHIPPED.of(StoredSentence.read(StoredSentence.write(large)), Locale.GERMAN))
                .contains("200.000");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    en    |            | 8 Feb 2026
                    en-US |            | 8 Feb 2026
                    de    |            | 8. Feb. 2026
                    en    | yyyy-MM-dd | 2026-02-08
                    de    | dd/MM/yyyy | 08/02/2026
                    de-AT | dd.MM.yyyy | 08.02.2026
                    en-US | MM/dd/yyyy | 02/08/2026
                    en    | dd 'of' MM | 8 Feb 2026
                    """)
    void daysAreWrittenAsTheReaderChoseElseAsTheLanguageDoes(String language, @Nullable String pattern, String day) {
        Sentence dated = Sentence.of("reading.later", "day", LocalDate.of(2026, 2, 8));
        Locale reader = DayFormat.chosen(Locale.forLanguageTag(language), Objects.requireNonNullElse(pattern, ""));
        assertThat(Wording.SHIPPED.of(StoredSentence.read(StoredSentence.write(dated)), reader))
                .contains(" " + day)
                .doesNotContain("{");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "Written by an earlier version.",
                "{\"say\":\"people.noRole\",\"with\":{}}",
                "{\"say\":cut off",
                "two\nlines"
            })
    void whatIsWordedAlreadyStaysAsItIs(String text) {
        assertThat(StoredSentence.read(StoredSentence.write(Sentence.plain(text))))
                .isEqualTo(Sentence.plain(text));
    }

    @Test
    void whatWasCutOffIsShownAsItStands() {
        String half = StoredSentence.write(TAKEN).substring(0, 40);
        assertThat(StoredSentence.read(half)).isEqualTo(Sentence.plain(half));
        String noDay = "{\"say\":\"reading.later\",\"with\":{\"day\":{\"day\":\"2026-02-31\"}}}";
        assertThat(StoredSentence.read(noDay)).isEqualTo(Sentence.plain(noDay));
    }

    @Test
    void manyAreALineEach() {
        List<Sentence> many = List.of(TAKEN, Sentence.plain("worded"), Sentence.of("people.noRole"));
        String stored = StoredSentence.writeAll(many);
        assertThat(stored.lines()).hasSize(3);
        assertThat(StoredSentence.readAll(stored).stream()
                        .map(one -> Wording.SHIPPED.of(one, Locale.GERMAN))
                        .toList())
                .isEqualTo(many.stream()
                        .map(one -> Wording.SHIPPED.of(one, Locale.GERMAN))
                        .toList());
        assertThat(StoredSentence.readAll("")).isEmpty();
    }

    /** What outsiders put into a sentence has a bound, however deep it lies. */
    @Test
    void whatOutsidersPutInIsBoundedAndPrintable() {
        Sentence hostile = Sentence.of("packet.reason", "where", "a\u0000b", "why", Sentence.plain("x".repeat(9_000)));
        Sentence bounded = hostile.bounded(400);
        assertThat(bounded.values()).containsEntry("where", "a b");
        assertThat(Wording.SHIPPED.of(bounded, Locale.ENGLISH))
                .hasSizeLessThan(500)
                .endsWith("…");
    }
}
