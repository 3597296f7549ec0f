package rovek.link;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;

/** Hardware that answers by heart: what is not scripted is an undefined header. */
final class ScriptedInstrument extends FakeTransport {

    private final Map<String, byte[]> answers = new HashMap<>();
    private final Deque<byte[]> pending = new ArrayDeque<>();

    ScriptedInstrument answering(String query, String answer) {
        answers.put(query, (answer + "\n").getBytes(StandardCharsets.UTF_8));
        return this;
    }

    @Override
    public void send(byte[] bytes) {
        String command = new String(bytes, StandardCharsets.ISO_8859_1).strip();
        if (command.equals("SYSTem:ERRor?")) {
            pending.add("0,\"No error\"\n".getBytes(StandardCharsets.UTF_8));
        } else if (command.contains("?")) {
            pending.add(answers.getOrDefault(command, "\"\"\n".getBytes(StandardCharsets.UTF_8)));
        }
    }

    @Override
    public int receive(byte[] into, Duration patience) {
        byte[] next = pending.poll();
        if (next == null) {
            return 0;
        }
        System.arraycopy(next, 0, into, 0, next.length);
        return next.length;
    }
}
