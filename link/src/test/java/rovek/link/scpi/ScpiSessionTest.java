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
    private static class Scripted extends FakeTransport {
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
        assertThatThrownBy(() -> session(new Scripted("-321,\"Out of memory\"\n", "0,\"No error\"\n"))
                        .command("X"))
                .isInstanceOf(LinkException.MemoryFull.class)
                .hasMessageContaining("link.memoryFull");
        assertThatThrownBy(() -> session(new Scripted("-256,\"?\"\n", "0\n")).command("MMEMory:DELete \"A.zip\""))
                .isInstanceOf(LinkException.NoSuchFile.class)
                .hasMessageContaining("A.zip");
        assertThatThrownBy(() -> session(new Scripted("-108,\"Odd\"\n", "0\n")).command("X"))
                .isInstanceOf(LinkException.Refused.class)
                .hasMessageContaining("{code=-108, text=Odd}");
    }

    @Test
    void silenceEndsTheLinkSoThatALateAnswerIsNotMistaken() {
        Scripted silent = new Scripted();
        silent.connect();
        assertThatThrownBy(() -> session(silent).query("*IDN?"))
                .isInstanceOf(LinkException.TimedOut.class)
                .hasMessageContaining("seconds=2.0");
        assertThat(silent.isConnected()).isFalse();
    }

    @Test
    void aLineBreakInANameIsNoSecondCommand() {
        for (String name : List.of("A.zip\"\nMMEMory:DELete \"B.zip", "A\rB", "A\u0000B", "A\u0085B", "A\tB")) {
            Scripted script = new Scripted("0\n");
            ScpiSession session = session(script);
            assertThatThrownBy(() -> session.command("MMEMory:DELete " + ScpiText.quote(name)))
                    .isInstanceOf(LinkException.Unsendable.class);
            assertThatThrownBy(() -> session.query("ROVek:FILE:DIGest? " + ScpiText.quote(name)))
                    .isInstanceOf(LinkException.Unsendable.class);
            assertThatThrownBy(() -> session.command("MMEMory:DATA " + ScpiText.quote(name), new byte[3]))
                    .isInstanceOf(LinkException.Unsendable.class);
            assertThat(script.sent).as("nothing was sent").isEmpty();
        }
    }

    @Test
    void whatIsNobodysBusinessStandsInNoSentence() {
        assertThatThrownBy(() -> session(new Scripted("-113,\"Undefined header\"\n", "0\n"))
                        .command("SYSTem:PASSword:CENable \"4711\"", "SYSTem:PASSword:CENable …"))
                .isInstanceOf(LinkException.Refused.class)
                .hasMessageContaining("SYSTem:PASSword:CENable …")
                .hasMessageNotContaining("4711");
    }

    @Test
    void whatSomethingElseAnswersIsNotTold() {
        assertThatThrownBy(
                        () -> session(new Scripted("SSH-2.0-secret banner\n")).command("X"))
                .isInstanceOf(LinkException.Garbled.class)
                .hasMessageNotContaining("secret");
        assertThatThrownBy(() -> session(new Scripted("-300,\"Odd\u0007 \u001b[2Jfault\"\n", "0\n"))
                        .command("X"))
                .hasMessageContaining("{code=-300, text=Odd [2Jfault}");
    }

    /** A byte every half second keeps no patience awake for ever. */
    @Test
    void anAnswerThatTricklesIsGivenUp() {
        Scripted slow = new Scripted() {
            @Override
            public int receive(byte[] into, Duration patience) {
                super.nanos.addAndGet(500_000_000);
                into[0] = 'x';
                return 1;
            }
        };
        slow.connect();
        assertThatThrownBy(() -> session(slow).query("*IDN?"))
                .isInstanceOf(LinkException.TooSlow.class)
                .hasMessageContaining("link.tooSlow {seconds=4}");
        assertThat(slow.isConnected()).isFalse();
    }

    @Test
    void aSlowLineMayTakeItsTimeForALongAnswer() throws LinkException {
        byte[] block = ReplyParser.block(new byte[60_000]);
        Scripted slow = new Scripted("0\n") {
            private int at;

            @Override
            public int receive(byte[] into, Duration patience) {
                if (at == block.length) {
                    return super.receive(into, patience);
                }
                int count = Math.min(480, block.length - at);
                System.arraycopy(block, at, into, 0, count);
                at += count;
                super.nanos.addAndGet(500_000_000);
                return count;
            }
        };
        assertThat(session(slow).queryBlock("MMEMory:DATA? \"A\"")).hasSize(60_000);
    }

    @Test
    void aSessionThatIsToBeShortEndsInTime() {
        Scripted chatty = new Scripted("a\n", "b\n", "c\n", "d\n") {
            @Override
            public int receive(byte[] into, Duration patience) {
                super.nanos.addAndGet(900_000_000);
                return super.receive(into, patience);
            }
        };
        ScpiSession session = new ScpiSession(chatty, Duration.ofSeconds(2), Duration.ofSeconds(2), chatty.nanos::get);
        assertThatThrownBy(() -> {
                    for (int i = 0; i < 4; i++) {
                        session.queryUnchecked("*IDN?");
                    }
                })
                .isInstanceOf(LinkException.TooSlow.class);
    }

    @Test
    void anErrorQueueThatNeverEmptiesIsGivenUp() {
        String[] endless =
                java.util.stream.Stream.generate(() -> "-1,\"x\"\n").limit(200).toArray(String[]::new);
        assertThatThrownBy(() -> session(new Scripted(endless)).drainErrors())
                .isInstanceOf(LinkException.Garbled.class);
    }
}
