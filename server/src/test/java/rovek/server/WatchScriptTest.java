package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Whoever watches the server starts it again, and leaves one that answers alone. The server is a small one that can be
 * told to end or to fall silent.
 */
class WatchScriptTest {

    private static final String SMALL_SERVER = """
            import http.server, os, sys, time
            state = sys.argv[1]
            class Answer(http.server.BaseHTTPRequestHandler):
                protocol_version = "HTTP/1.1"
                def do_GET(self):
                    while os.path.exists(state + "/silent-" + str(os.getpid())):
                        time.sleep(0.1)
                    self.send_response(401)
                    self.send_header("Content-Length", "0")
                    self.end_headers()
                def log_message(self, *words):
                    open(state + "/asked", "a").write("x")
            server = http.server.ThreadingHTTPServer(("127.0.0.1", int(open(state + "/server.port").read())), Answer)
            server.allow_reuse_address = True
            open(state + "/started", "a").write("x")
            server.serve_forever()
            """;
    private static final String WATCHING = """
            set -euo pipefail
            state=$1
            . ../scripts/watch.sh
            say() { printf '%s\\n' "$*"; }
            is_running() { kill -0 "$(cat "$state/server.pid")" 2>/dev/null; }
            start_server() { python3 "$state/server.py" "$state" >/dev/null 2>&1 & printf '%s' $! >"$state/server.pid"; disown; }
            start_server
            for _ in $(seq 200); do [ -f "$state/started" ] && break; sleep 0.1; done
            watch_server
            """;

    @TempDir
    Path state;

    private Process watcher;

    @BeforeEach
    void watch() throws Exception {
        try (java.net.ServerSocket free = new java.net.ServerSocket(0)) {
            Files.writeString(state.resolve("server.port"), String.valueOf(free.getLocalPort()));
        }
        Files.writeString(state.resolve("server.py"), SMALL_SERVER);
        ProcessBuilder bash = new ProcessBuilder("bash", "-c", WATCHING, "watch", state.toString());
        bash.environment().put("ROVEK_WATCH_EVERY", "0.2");
        watcher = bash.redirectErrorStream(true)
                .redirectOutput(state.resolve("said").toFile())
                .start();
        await("asked", 2);
    }

    @AfterEach
    void stop() throws Exception {
        watcher.destroyForcibly().waitFor(10, TimeUnit.SECONDS);
        ProcessHandle.of(server()).ifPresent(ProcessHandle::destroyForcibly);
    }

    private long server() throws IOException {
        return Long.parseLong(Files.readString(state.resolve("server.pid")));
    }

    private int count(String file) throws IOException {
        return Files.exists(state.resolve(file))
                ? Files.readString(state.resolve(file), StandardCharsets.UTF_8).length()
                : 0;
    }

    /** Each start, and each question that was answered, leaves a character. */
    private void await(String file, int times) throws Exception {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        while (count(file) < times) {
            assertThat(System.nanoTime())
                    .as(file + " of " + times + ", " + Files.readString(state.resolve("said")))
                    .isLessThan(until);
            Thread.sleep(50);
        }
    }

    @Test
    void oneThatHasEndedIsStartedAgain() throws Exception {
        long before = server();
        ProcessHandle.of(before).orElseThrow().destroyForcibly();
        await("started", 2);
        await("asked", count("asked") + 2);
        assertThat(server()).isNotEqualTo(before);
        assertThat(Files.readString(state.resolve("said"))).contains("it is started again");
    }

    @Test
    void oneThatFallsSilentIsEndedAndStartedAgain() throws Exception {
        long before = server();
        Files.createFile(state.resolve("silent-" + before));
        await("started", 2);
        assertThat(ProcessHandle.of(before).map(ProcessHandle::isAlive).orElse(false))
                .isFalse();
        await("asked", count("asked") + 2);
    }

    @Test
    void oneThatAnswersIsLeftAlone() throws Exception {
        long before = server();
        await("asked", 6);
        assertThat(server()).isEqualTo(before);
        assertThat(count("started")).isEqualTo(1);
    }
}
