package rovek.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;

/** Somebody with cookies who calls the server, as the front end does. */
final class Person {

    private static final Duration PATIENCE = Duration.ofSeconds(180);

    private final String address;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http;

    Person(String address) {
        this.address = address;
        this.http = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .connectTimeout(PATIENCE)
                .build();
    }

    /**
     * An answer.
     *
     * @param status 0 where none came
     * @param millis from asking to the last byte
     */
    record Answer(int status, String body, double millis) {}

    Answer signIn(String name, String password) throws InterruptedException {
        call("GET", "/api/session", null);
        Answer answer = call("POST", "/api/session", "{\"name\":\"" + name + "\",\"password\":\"" + password + "\"}");
        // With it comes the token for everything that is sent from now on.
        call("GET", "/api/session", null);
        return answer;
    }

    Answer call(String method, String path, String body) throws InterruptedException {
        return answer(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Sends a file as a form does. */
    Answer sendFile(String path, byte[] file) throws InterruptedException {
        String boundary = "----bench" + Long.toHexString(System.nanoTime());
        return answer(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(HttpRequest.BodyPublishers.ofByteArray(ImportBench.form(boundary, file))));
    }

    private Answer answer(HttpRequest.Builder asked) throws InterruptedException {
        HttpRequest request =
                asked.timeout(PATIENCE).header("X-XSRF-TOKEN", token()).build();
        long began = System.nanoTime();
        try {
            HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
            return new Answer(response.statusCode(), response.body(), (System.nanoTime() - began) / 1e6);
        } catch (IOException e) {
            return new Answer(0, String.valueOf(e.getMessage()), (System.nanoTime() - began) / 1e6);
        }
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }
}
