package rovek.server.demo;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;

/** Presses the buttons of the stand-in handheld, as a technician in the plant would. */
final class DemoPanel {

    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;

    DemoPanel(String address) {
        this.address = address;
    }

    void moveTimeTo(Instant at) {
        press("/api/time", "{\"at\":\"" + at + "\"}");
    }

    void backToRealTime() {
        press("/api/time", "{}");
    }

    void walkAll() {
        press("/api/walk-all", "{}");
    }

    void takeLooseReading(String tag, String point) {
        press("/api/loose", "{\"assetTag\":\"" + tag + "\",\"point\":\"" + point + "\"}");
    }

    void takeLooseReading(String technique, String tag, String point) {
        press(
                "/api/loose",
                "{\"technique\":\"" + technique + "\",\"assetTag\":\"" + tag + "\",\"point\":\"" + point + "\"}");
    }

    private void press(String path, String body) {
        HttpRequest request = HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        try {
            HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() != 200) {
                throw new IllegalStateException("The stand-in refused " + path + ": " + answer.body());
            }
        } catch (IOException e) {
            throw new IllegalStateException("The stand-in does not answer at " + address + ".", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted.", e);
        }
    }
}
