package rovek.link.packet;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.stream.Collectors;
import rovek.core.wording.Sentence;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The published JSON Schemas, enforced when a package is made and when it is taken apart. */
final class Schemas {

    static final Schemas PUBLISHED = new Schemas();

    private static final int MOST_FAULTS_NAMED = 5;

    private final JsonMapper json = JsonMapper.builder().build();
    private final Schema manifest = load("manifest");
    private final Schema route = load("route");
    private final Schema setup = load("setup");
    private final Schema firmware = load("firmware");
    private final Schema walk = load("walk");
    private final Schema reading = load("reading");

    private Schemas() {}

    private static Schema load(String name) {
        try (InputStream in = Schemas.class.getResourceAsStream("schemas/" + name + ".schema.json")) {
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    JsonNode manifest(byte[] bytes) throws PackageException {
        return valid(manifest, bytes, "manifest.json");
    }

    JsonNode route(byte[] bytes) throws PackageException {
        return valid(route, bytes, "route.json");
    }

    JsonNode setup(byte[] bytes) throws PackageException {
        return valid(setup, bytes, "setup.json");
    }

    JsonNode firmware(byte[] bytes) throws PackageException {
        return valid(firmware, bytes, "firmware.json");
    }

    JsonNode walk(byte[] bytes) throws PackageException {
        return valid(walk, bytes, "walk.json");
    }

    JsonNode reading(byte[] bytes, int line) throws PackageException {
        return valid(reading, bytes, ReadingLine.where(line));
    }

    private JsonNode valid(Schema schema, byte[] bytes, String where) throws PackageException {
        JsonNode node = parse(bytes, where);
        var faults = schema.validate(node);
        if (!faults.isEmpty()) {
            throw PackageException.invalid(
                    where,
                    Sentence.plain(faults.stream()
                            .limit(MOST_FAULTS_NAMED)
                            .map(Object::toString)
                            .collect(Collectors.joining("; "))));
        }
        return node;
    }

    /** Reads JSON without judging it, to look at a version before anything else. */
    JsonNode parse(byte[] bytes, String where) throws PackageException {
        try {
            return json.readTree(bytes);
        } catch (JacksonException e) {
            throw PackageException.damaged(Sentence.of("packet.notJson", "where", where));
        }
    }

    JsonMapper json() {
        return json;
    }
}
