package rovek.server.intake.transfer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyBoolean;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.function.IntToLongFunction;
import org.junit.jupiter.api.Test;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.link.Sha256;
import rovek.server.judging.original.Pieces;
import rovek.server.judging.original.Spool;

/** How a file is asked for, by a clock and an instrument that answer as they are told. */
class PieceFetchTest {

    private static final int KILO = 1 << 10;
    private static final int BYTES = 5_000_000;
    private static final UUID INSTRUMENT = UUID.randomUUID();

    private final byte[] content = new byte[BYTES];
    private final Pieces pieces = mock(Pieces.class);
    private final Instrument link = mock(Instrument.class);
    private final List<Integer> asked = new ArrayList<>();
    private final List<Long> arrived = new ArrayList<>();
    private final InstrumentFile file = new InstrumentFile("RESULTS/W1.zip", "READINGS", BYTES);
    private long now;

    private int before;
    private IntToLongFunction millis;

    PieceFetchTest() throws Exception {
        new Random(1).nextBytes(content);
        when(pieces.begin(any(), anyString(), anyBoolean())).thenReturn(UUID.randomUUID());
        when(pieces.write(any(), any())).thenAnswer(call -> {
            call.getArgument(1, OutputStream.class).write(content, 0, before);
            return (long) before;
        });
        when(link.slice(anyString(), anyLong(), anyInt())).thenAnswer(call -> {
            now += 1_000_000 * millis.applyAsLong(asked.size());
            asked.add(call.getArgument(2));
            int at = call.<Long>getArgument(1).intValue();
            return Arrays.copyOfRange(content, at, at + call.<Integer>getArgument(2));
        });
    }

    /** @param takes how many milliseconds a slice takes, by how manieth it is */
    private PieceFetch.Fetched fetch(int arrivedBefore, String digest, IntToLongFunction takes) throws LinkException {
        before = arrivedBefore;
        millis = takes;
        return new PieceFetch(pieces, () -> now).fetch(INSTRUMENT, link, file, digest, false, arrived::add);
    }

    @Test
    void overAFastLinkPiecesGrowAndOverASlowOneTheyDoNot() throws Exception {
        try (Spool whole = fetch(0, Sha256.of(content), slice -> 99).file()) {
            assertThat(whole.size()).isEqualTo(BYTES);
        }
        assertThat(asked)
                .startsWith(128 * KILO, 256 * KILO, 512 * KILO, 1024 * KILO, 1024 * KILO)
                .allMatch(bytes -> bytes <= 1024 * KILO);
        assertThat(asked.stream().mapToInt(Integer::intValue).sum()).isEqualTo(BYTES);
        asked.clear();
        fetch(0, Sha256.of(content), slice -> 100).file().close();
        assertThat(asked.subList(0, asked.size() - 1)).containsOnly(128 * KILO);
    }

    @Test
    void aLinkThatBecomesSlowKeepsTheSizeItHad() throws Exception {
        fetch(0, Sha256.of(content), slice -> slice < 2 ? 1 : 500).file().close();
        assertThat(asked.subList(0, asked.size() - 1))
                .startsWith(128 * KILO, 256 * KILO, 512 * KILO)
                .endsWith(512 * KILO);
    }

    @Test
    void whatIsThereAlreadyIsNotAskedForAgain() throws Exception {
        fetch(4_999_000, Sha256.of(content), slice -> 1).file().close();
        assertThat(asked).containsExactly(1_000);
        assertThat(arrived).containsExactly(4_999_000L, 1_000L);
    }

    @Test
    void bytesThatAreNotWhatTheInstrumentSaidAreForgotten() throws Exception {
        assertThatThrownBy(() -> fetch(0, "0".repeat(64), slice -> 1)).isInstanceOf(LinkException.DigestDiffers.class);
        verify(pieces).drop(any());
        verify(pieces, never()).end(any());
    }
}
