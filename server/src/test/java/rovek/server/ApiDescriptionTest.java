package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The front end's types are made from a committed description; this keeps it true. */
@ExtendWith(SharedRovek.class)
class ApiDescriptionTest {

    private static final Path COMMITTED = Path.of("../web/src/api/openapi.json");
    private final JsonMapper json = JsonMapper.builder()
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    @Test
    void theCommittedDescriptionIsTheServersOwn(RunningRovek rovek) throws IOException {
        var actual = new Caller(rovek.address()).get("/api/openapi.json").ok();
        if (Boolean.getBoolean("rovek.renew-api-description")) {
            Files.writeString(COMMITTED, json.writeValueAsString(json.treeToValue(actual, Object.class)) + "\n");
        }
        var committed = json.readTree(Files.readAllBytes(COMMITTED));
        assertThat(committed.equals(actual))
                .as("web/src/api/openapi.json is what the server publishes; ./rovek describe-api renews it")
                .isTrue();
    }
}
