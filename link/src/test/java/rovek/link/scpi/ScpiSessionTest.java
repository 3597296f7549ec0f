package rovek.link.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import rovek.link.FakeTransport;
import rovek.link.LinkException;

class ScpiSessionTest {

    /** Answers from a script; when it runs out, silence, during which the clock runs. */
    private static final class Scripted extends FakeTransport {
        private final Deque<String> answers = new ArrayDeque<>();
        private final List<String> sent = new ArrayList<>();
        private final AtomicLong nanos = new AtomicLong();

        Scripted(String... answers) {
            this.answers.addAll(List.of(answers));
        }

        @Override
        public void send(byte[] bytes) {
            sent.add(new String(bytes, StandardCharsets.ISO_8859_1).strip());
        }

        @Override
        public int receive(byte[] into, Duration patience) {
            if (answers.isEmpty()) {
                nanos.addAndGet(patience.toNanos());
                return 0;
            }
            byte[] bytes = answers.poll().getBytes(StandardCharsets.UTF_8);
            System.arraycopy(bytes, 0, into, 0, bytes.length);
            return bytes.length;
        }
    }

    private static ScpiSession session(Scripted transport) {
        return new ScpiSession(transport, Duration.ofSeconds(2), transport.nanos::get);
    }

    @Test
    void everyCommandIsFollowedByTheErrorQueue() throws LinkException {
        Scripted script = new Scripted("0,\"No error\"\n");
        session(script).command("SYSTem:DATE 2026,11,23");
        assertThat(script.sent).containsExactly("SYSTem:DATE 2026,11,23", "SYSTem:ERRor?");
    }

    @Test
    void knownErrorCodesBecomeNamedErrors() {
        assertThatThrownBy(() -> session(new Scripted("-321,\"Out of memory\"\n", "0,\"No error\"\n")).command("X"))
                .isInstanceOf(LinkException.MemoryFull.class)
                .hasMessageContaining("Read back and clear");
        assertThatThrownBy(() -> session(new Scripted("-256,\"?\"\n", "0\n")).command("MMEMory:DELete \"A.zip\""))
                .isInstanceOf(LinkException.NoSuchFile.class)
                .hasMessageContaining("A.zip");
        assertThatThrownBy(() -> session(new Scripted("-108,\"Odd\"\n", "0\n")).command("X"))
                .isInstanceOf(LinkException.Refused.class)
                .hasMessageContaining("Odd (-108)");
    }

    @Test
    void silenceEndsTheLinkSoThatALateAnswerIsNotMistaken() {
        Scripted silent = new Scripted();
        silent.connect();
        assertThatThrownBy(() -> session(silent).query("*IDN?")).isInstanceOf(LinkException.TimedOut.class).hasMessageContaining("2 s");
        assertThat(silent.isConnected()).isFalse();
    }

    @Test
    void anErrorQueueThatNeverEmptiesIsGivenUp() {
        String[] endless = java.util.stream.Stream.generate(() -> "-1,\"x\"\n").limit(200).toArray(String[]::new);
        assertThatThrownBy(() -> session(new Scripted(endless)).drainErrors()).isInstanceOf(LinkException.Garbled.class);
    }
}
