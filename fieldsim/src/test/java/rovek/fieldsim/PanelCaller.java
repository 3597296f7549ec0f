package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Presses a stand-in's buttons. */
final class PanelCaller {

    private final HttpClient http = HttpClient.newHttpClient();
    private final JsonMapper json = JsonMapper.builder().build();

    JsonNode press(Fieldsim fieldsim, String path, String body) {
        return answer(HttpRequest.newBuilder(address(fieldsim, path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    JsonNode state(Fieldsim fieldsim) {
        return answer(HttpRequest.newBuilder(address(fieldsim, "/api/state")));
    }

    private static URI address(Fieldsim fieldsim, String path) {
        return URI.create("http://127.0.0.1:" + fieldsim.panelPort() + path);
    }

    private JsonNode answer(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            assertThat(answer.statusCode()).as(new String(answer.body())).isEqualTo(200);
            return json.readTree(answer.body());
        } catch (IOException e) {
            throw new AssertionError(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }
}
