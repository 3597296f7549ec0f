package rovek.core.foreign;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rovek.core.foreign.ForeignColumn.Use;
import rovek.core.unit.DecimalMark;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** Tables of instruments that nobody told how Rovek likes them. */
class ForeignTableTest {

    private static final ZoneId ZONE = ZoneId.of("Europe/Paris");
    private static final ForeignPlan.Places NOWHERE = (tag, point, unit) -> Optional.empty();

    private static ForeignTable table(String text) {
        return ForeignTable.of(
                text.lines().map(line -> Arrays.asList(line.split(";", -1))).toList());
    }

    private static ForeignGuess guess(String text) {
        return ForeignGuess.of(table(text), tag -> tag.startsWith("P-"));
    }

    private static ForeignPlan plan(String text, ForeignPlan.Places places) {
        ForeignGuess guess = guess(text);
        assertThat(guess.marks()).hasSize(1);
        assertThat(guess.orders()).hasSize(1);
        return ForeignPlan.of(
                table(text),
                new ForeignMapping(
                        guess.marks().iterator().next(),
                        guess.orders().iterator().next(),
                        ZONE,
                        guess.columns()),
                places);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DAY_MONTH_YEAR|04.05.2026 06:00|2026-05-04T06:00", "DAY_MONTH_YEAR|4/5/26 6:00|2026-05-04T06:00",
                        "DAY_MONTH_YEAR|31-Dec-2026 23:59:59,5|2026-12-31T23:59:59.500",
                "MONTH_DAY_YEAR|05/04/2026 06:00 PM|2026-05-04T18:00",
                        "MONTH_DAY_YEAR|May 4, 2026 12:30 am|2026-05-04T00:30",
                        "YEAR_MONTH_DAY|2026-05-04T06:00:00|2026-05-04T06:00",
                "YEAR_MONTH_DAY|2026/5/4|2026-05-04T00:00"
            })
    void aDateIsReadInItsOrder(DateOrder order, String written, LocalDateTime meant) {
        assertThat(order.read(written).map(DateOrder.Read::local)).contains(meant);
    }

    @ParameterizedTest
    @CsvSource({
        "DAY_MONTH_YEAR,31.02.2026",
        "MONTH_DAY_YEAR,31/12/2026",
        "MONTH_DAY_YEAR,05.04.2026",
        "DAY_MONTH_YEAR,2026-05-04",
        "YEAR_MONTH_DAY,04.05.26",
        "DAY_MONTH_YEAR,4.5.2026 25:00",
        "DAY_MONTH_YEAR,4.5.2026 13:00 PM",
        "DAY_MONTH_YEAR,12.5"
    })
    void whatIsNoDateInThatOrderIsNone(DateOrder order, String written) {
        assertThat(order.read(written)).isEmpty();
    }

    @Test
    void anOffsetThatIsWrittenCountsBeforeTheZone() {
        DateOrder.Read read =
                DateOrder.YEAR_MONTH_DAY.read("2026-07-01T12:00:00+05:30").orElseThrow();
        assertThat(read.in(ZONE).toInstant()).isEqualTo(Instant.parse("2026-07-01T06:30:00Z"));
        assertThat(DateOrder.YEAR_MONTH_DAY
                        .read("2026-07-01 12:00")
                        .orElseThrow()
                        .in(ZONE)
                        .toInstant())
                .isEqualTo(Instant.parse("2026-07-01T10:00:00Z"));
    }

    /**
     * Whatever moment is written in an order is read back in it; and where another order fits too, the guess names
     * both.
     */
    @Test
    void everyMomentIsReadBackAndAmbiguityIsNeverHidden() {
        Random random = new Random(20261123);
        Map<DateOrder, DateTimeFormatter> written = Map.of(
                DateOrder.DAY_MONTH_YEAR,
                DateTimeFormatter.ofPattern("dd/MM/yyyy HH:mm", Locale.ROOT),
                DateOrder.MONTH_DAY_YEAR,
                DateTimeFormatter.ofPattern("MM/dd/yyyy HH:mm", Locale.ROOT),
                DateOrder.YEAR_MONTH_DAY,
                DateTimeFormatter.ofPattern("yyyy/MM/dd HH:mm", Locale.ROOT));
        for (int i = 0; i < 500; i++) {
            LocalDateTime at = LocalDateTime.of(2020, 1, 1, 0, 0).plusMinutes(random.nextInt(3_000_000));
            written.forEach((order, format) -> {
                String text = format.format(at);
                assertThat(order.read(text).map(DateOrder.Read::local)).contains(at);
                ForeignGuess guess = guess("When;Pressure [bar]\n" + text + ";1.5\n");
                boolean isAmbiguous = order != DateOrder.YEAR_MONTH_DAY
                        && at.getDayOfMonth() <= 12
                        && at.getDayOfMonth() != at.getMonthValue();
                assertThat(guess.orders().size()).as(text).isEqualTo(isAmbiguous ? 2 : 1);
                boolean isSame = order != DateOrder.YEAR_MONTH_DAY && at.getDayOfMonth() == at.getMonthValue();
                assertThat(isSame || guess.orders().contains(order)).as(text).isTrue();
            });
        }
    }

    @Test
    void aLogWithALineOfUnitsAndADecimalCommaIsUnderstood() {
        String text = "Export of logger\nSerial;77120\nDate;Time;Outlet "
                + "pressure;Water\n;;mbar;degC\n13.04.2026;06:00:00;4200,5;11,2\n13.04.2026;06:10:00;-;11,3\n";
        ForeignGuess guess = guess(text);
        assertThat(guess.columns())
                .extracting(ForeignColumn::use)
                .containsExactly(Use.DATE, Use.TIME_OF_DAY, Use.VALUE, Use.VALUE);
        assertThat(guess.columns()).extracting(ForeignColumn::unit).containsExactly("", "", "mbar", "°C");
        assertThat(guess.marks()).containsExactly(DecimalMark.COMMA);
        ForeignPlan plan = plan(text, NOWHERE);
        assertThat(plan.readings()).hasSize(3);
        assertThat(plan.readings().get(0).value().value()).isEqualTo(4200.5);
        assertThat(plan.readings().get(0).at()).isEqualTo(Instant.parse("2026-04-13T04:00:00Z"));
        assertThat(plan.faults()).singleElement().satisfies(fault -> {
            assertThat(fault.line()).isEqualTo(6);
            assertThat(fault.sentence()).isEqualTo(Sentence.of("unit.notANumber", "written", "-"));
        });
    }

    @Test
    void aRowThatNamesItsMachineIsPlacedAndOneWithItsUnitInACellIsReadInIt() {
        UUID check = UUID.randomUUID();
        String text = "Asset tag;Measured;Value;Unit;Remark\nP-101;2026-04-13 06:00;4.2;bar;humming\nP-102;2026-04-13 "
                + "06:05;80 °C;;\nP-103;2026-04-13 06:06;5;furlong;\n";
        ForeignPlan plan = plan(
                text,
                (tag, point, unit) ->
                        tag.equals("P-101") && unit.symbol().equals("bar") ? Optional.of(check) : Optional.empty());
        assertThat(plan.readings()).hasSize(2);
        assertThat(plan.readings().get(0).check()).contains(check);
        assertThat(plan.readings().get(0).note()).isEqualTo("humming");
        assertThat(plan.readings().get(1).value().unit().symbol()).isEqualTo("°C");
        assertThat(plan.readings().get(1).label()).isEqualTo("P-102 Value");
        assertThat(plan.faults())
                .extracting(ForeignPlan.Fault::sentence)
                .containsExactly(Sentence.of("unit.unknown", "symbol", "furlong"));
    }

    @Test
    void aThousandWrittenWithAMarkIsAskedAbout() {
        assertThat(guess("Day;Level [mm]\n2026-04-13;1,234\n2026-04-14;1,240\n").marks())
                .containsExactlyInAnyOrder(DecimalMark.POINT, DecimalMark.COMMA);
        assertThat(guess("Day;Level [mm]\n2026-04-13;1,23\n").marks()).containsExactly(DecimalMark.COMMA);
        assertThat(guess("Day;Level [mm]\n2026-04-13;12\n").marks()).containsExactly(DecimalMark.POINT);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Pressure [bar]|bar",
                "Pressure (kPa)|kPa",
                "Temp, degC|°C",
                "Level / mm|mm",
                "Flow m3/h|m³/h",
                "Tank A|''",
                "Date/time|''"
            })
    void aHeadingNamesItsUnit(String heading, String unit) {
        assertThat(table("When;" + heading + "\n2026-04-13;1\n").units().get(1)).isEqualTo(unit);
    }

    @Test
    void whatIsNoTableIsSaid() {
        assertThatThrownBy(() -> table("no table at all")).hasMessageContaining("foreign.noHeadings");
        assertThatThrownBy(() -> table("When;Pressure [bar]\n")).hasMessageContaining("foreign.noRows");
        assertThatThrownBy(() -> ForeignPlan.of(
                        table("When;Pressure [bar]\n2026-04-13;1\n"),
                        new ForeignMapping(
                                DecimalMark.POINT,
                                DateOrder.YEAR_MONTH_DAY,
                                ZONE,
                                List.of(ForeignColumn.of(Use.DATE), ForeignColumn.of(Use.IGNORED))),
                        NOWHERE))
                .hasMessageContaining("foreign.noValues");
    }

    /** Whatever somebody has done to a table, it is understood, or refused with a sentence. */
    @Test
    void aSpoiltTableIsUnderstoodOrRefusedByName() {
        Random random = new Random(20261124);
        String sound =
                "Export\nTag;When;Time;Pressure [bar];Unit;Note\nP-101;03.04.2026;06:00;1,5;bar;ok\nP-102;04.04.2026;07:10:11;1.234,5;;\n";
        String odd = ";;\n-,.:/[]()\u2212\u00B0eE9999999999\u0000 \uFFFF";
        int planned = 0;
        for (int i = 0; i < 5_000; i++) {
            StringBuilder spoilt = new StringBuilder(sound);
            for (int n = random.nextInt(6); n >= 0; n--) {
                int at = random.nextInt(spoilt.length());
                spoilt.replace(
                        at,
                        Math.min(spoilt.length(), at + random.nextInt(4)),
                        String.valueOf(odd.charAt(random.nextInt(odd.length()))));
            }
            try {
                ForeignTable table = table(spoilt.toString());
                ForeignGuess guess = ForeignGuess.of(table, tag -> tag.startsWith("P-"));
                DateOrder order = guess.orders().stream().findFirst().orElse(DateOrder.DAY_MONTH_YEAR);
                ForeignPlan plan = ForeignPlan.of(
                        table,
                        new ForeignMapping(guess.marks().iterator().next(), order, ZONE, guess.columns()),
                        NOWHERE);
                assertThat(plan.readings())
                        .allSatisfy(
                                reading -> assertThat(reading.value().value()).isFinite());
                planned++;
            } catch (Refused named) {
                assertThat(named.sentence().key()).as(spoilt.toString()).startsWith("foreign.");
            }
        }
        assertThat(planned).isBetween(500, 4_900);
    }

    /** A log of years in which the clock goes back once a year: each row stays a reading of its own. */
    @Test
    void theHourThatComesTwiceIsReadAsTheFirst() {
        assertThat(DateOrder.YEAR_MONTH_DAY
                        .read("2026-10-25 02:30")
                        .orElseThrow()
                        .in(ZONE)
                        .toInstant())
                .isEqualTo(Instant.parse("2026-10-25T00:30:00Z"));
    }
}
