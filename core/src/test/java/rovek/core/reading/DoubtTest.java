package rovek.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rovek.core.wording.Sentence;

/** Times that cannot be true and readings that look as if nothing had been measured. */
class DoubtTest {

    private static final Instant STORED = Instant.parse("2026-11-23T12:00:00Z");
    private static final Optional<LocalDate> CALIBRATED = Optional.of(LocalDate.of(2025, 10, 14));

    private static Optional<Sentence> doubt(String... taken) {
        return ClockDoubt.of(
                List.of(taken).stream()
                        .map(at -> new ClockDoubt.Taken(Instant.parse(at), STORED))
                        .toList(),
                CALIBRATED);
    }

    @Test
    void timesThatCannotBeAreDoubtedWithTheirReason() {
        assertThat(doubt("2026-11-23T11:00:00Z", "2026-11-23T12:01:00Z")).isEmpty();
        assertThat(doubt("2026-11-23T11:00:00Z", "2026-11-23T12:05:00Z").orElseThrow())
                .isEqualTo(Sentence.of("reading.later", "day", LocalDate.of(2026, 11, 23)));
        assertThat(doubt("2000-01-01T00:10:00Z").orElseThrow())
                .isEqualTo(Sentence.of("reading.beforeCalibration", "day", LocalDate.of(2000, 1, 1)));
        assertThat(doubt("2025-10-14T00:00:00Z"))
                .as("the day of calibration itself")
                .isEmpty();
        assertThat(ClockDoubt.of(
                                List.of(new ClockDoubt.Taken(Instant.parse("2012-01-01T00:00:00Z"), STORED)),
                                Optional.empty())
                        .orElseThrow())
                .isEqualTo(Sentence.of("reading.yearsBefore", "day", LocalDate.of(2012, 1, 1)));
        assertThat(ClockDoubt.of(List.of(), CALIBRATED)).isEmpty();
    }

    /**
     * The fault that was seen: what was read back in the afternoon was compared with when the morning's readings were.
     */
    @Test
    void aVisitMayBeFilledInTwoGoes() {
        Instant afternoon = STORED.plusSeconds(4 * 3_600);
        List<ClockDoubt.Taken> taken = List.of(
                new ClockDoubt.Taken(STORED.minusSeconds(60), STORED),
                new ClockDoubt.Taken(afternoon.minusSeconds(60), afternoon));
        assertThat(ClockDoubt.of(taken, CALIBRATED)).isEmpty();
    }

    @Test
    void nothingIsKnownFromWhatIsUsualThere() {
        double[] usual = {2.1, 2.3, 1.9, 2.2};
        assertThat(AccidentalReading.looksSo(0, new double[0])).isTrue();
        assertThat(AccidentalReading.looksSo(0.03, usual)).isTrue();
        assertThat(AccidentalReading.looksSo(0.2, usual))
                .as("low, but measured")
                .isFalse();
        assertThat(AccidentalReading.looksSo(0.03, new double[] {2.1}))
                .as("too little to know")
                .isFalse();
    }
}
