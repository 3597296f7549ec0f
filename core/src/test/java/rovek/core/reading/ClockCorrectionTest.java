package rovek.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;

class ClockCorrectionTest {

    private static final Instant NOON = Instant.parse("2026-11-23T12:00:00Z");

    @Test
    void aSlowClockMovesReadingsForward() {
        ClockCorrection slow = ClockCorrection.between(NOON.minusSeconds(420), NOON);
        assertThat(slow.isNeeded()).isTrue();
        assertThat(slow.correct(NOON.minusSeconds(3600 + 420))).isEqualTo(NOON.minusSeconds(3600));
    }

    @Test
    void aDelayOfSecondsIsNoWrongClock() {
        assertThat(ClockCorrection.between(NOON.plusSeconds(2), NOON).isNeeded())
                .isFalse();
    }
}
