package rovek.server;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;

/** The real server as a process of its own, which can be killed. */
final class ServerProcess implements AutoCloseable {

    private static final long MOST_NANOS = 90_000_000_000L;

    private final Process process;
    private final int port;

    private ServerProcess(Process process, int port) {
        this.process = process;
        this.port = port;
    }

    static ServerProcess start(LaunchKit kit, TestDatabase database, Path log)
            throws IOException, InterruptedException {
        int port;
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            port = free.getLocalPort();
        }
        List<String> arguments = RunningRovek.arguments(database);
        arguments.removeIf(argument -> argument.startsWith("--server.port"));
        arguments.add("--server.port=" + port);
        Process process = new ProcessBuilder(kit.command(arguments))
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
                .start();
        ServerProcess server = new ServerProcess(process, port);
        server.awaitAnswer(log);
        return server;
    }

    private void awaitAnswer(Path log) throws InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(address() + "/api/session")).build();
        long until = System.nanoTime() + MOST_NANOS;
        while (true) {
            try {
                http.send(request, HttpResponse.BodyHandlers.discarding());
                return;
            } catch (IOException notYet) {
                if (!process.isAlive() || System.nanoTime() > until) {
                    throw new AssertionError("The server did not start, see " + log, notYet);
                }
                Thread.sleep(50);
            }
        }
    }

    String address() {
        return "http://127.0.0.1:" + port;
    }

    /** In peace, with everything closed that is to be closed. */
    void end() throws InterruptedException {
        process.destroy();
        process.waitFor();
    }

    /** As {@code kill -9} does it. */
    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    @Override
    public void close() throws InterruptedException {
        kill();
    }
}
