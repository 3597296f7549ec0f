package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(SharedRovek.class)
class WholeBodiesTest {

    private final Caller caller;

    WholeBodiesTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
    }

    @Test
    void whatIsMissingIsNamedFieldByField() {
        Caller.Answer answer =
                caller.put("/api/setups/" + UUID.randomUUID(), Map.of("name", "Half", "form", "logger", "version", 0));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body()
                        .get("faults")
                        .valueStream()
                        .map(fault -> fault.get("field").asString())
                        .toList())
                .containsExactly("values", "rows");
        Caller.Answer nested = caller.post("/api/placements", Map.of("placements", java.util.List.of(Map.of())));
        assertThat(nested.sentence()).isEqualTo("\"placements[0].readingId\" is missing.");
    }

    /** Every address that takes a body, by the published description. */
    @Test
    void noAddressFailsOnAnEmptyBody() {
        JsonNode description = JsonMapper.builder()
                .build()
                .readTree(caller.get("/api/openapi.json").bytes());
        description
                .get("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(operation -> {
                    boolean takesJson = operation
                            .getValue()
                            .path("requestBody")
                            .path("content")
                            .has("application/json");
                    if (takesJson) {
                        String address = path.getKey()
                                .replaceAll("\\{[^}]*}", UUID.randomUUID().toString());
                        Caller.Answer answer =
                                caller.call(operation.getKey().toUpperCase(java.util.Locale.ROOT), address, Map.of());
                        assertThat(answer.status())
                                .as(operation.getKey() + " " + path.getKey() + ": " + answer.text())
                                .isLessThan(500);
                    }
                }));
    }
}
