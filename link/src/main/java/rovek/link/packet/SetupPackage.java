package rovek.link.packet;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import rovek.core.setup.SetupContent;
import rovek.core.wording.Sentence;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A set-up as it is loaded onto an instrument.
 *
 * @param id of the set-up
 * @param revision of the set-up, from 1
 * @param form what kind of set-up, e.g. {@code logger}
 */
public record SetupPackage(UUID id, int revision, String name, String form, Instant createdAt, SetupContent content) {

    private static final String SETUP = "setup.json";

    public byte[] pack() {
        ObjectNode setup = Schemas.PUBLISHED.json().createObjectNode();
        setup.put("id", id.toString())
                .put("revision", revision)
                .put("name", name)
                .put("form", form);
        JsonMaps.put(setup.putObject("values"), content.values());
        var rows = setup.putArray("rows");
        content.rows().forEach(row -> JsonMaps.put(rows.addObject(), row));
        byte[] bytes = Schemas.PUBLISHED.json().writeValueAsBytes(setup);
        try {
            Schemas.PUBLISHED.setup(bytes);
        } catch (PackageException e) {
            throw new IllegalArgumentException("This set-up cannot be packed. " + e.getMessage(), e);
        }
        return new PackageEntries("setup", createdAt, Maker.rovek(), Map.of(SETUP, bytes)).pack();
    }

    public static SetupPackage unpack(byte[] packed) throws PackageException {
        return Understanding.of(() -> taken(packed));
    }

    private static SetupPackage taken(byte[] packed) throws PackageException {
        PackageEntries entries = PackageEntries.unpack(packed);
        byte[] bytes = entries.entries().get(SETUP);
        if (!entries.kind().equals("setup") || bytes == null) {
            throw PackageException.foreign(Sentence.of("packet.noSetup"));
        }
        JsonNode setup = Schemas.PUBLISHED.setup(bytes);
        List<Map<String, String>> rows = new ArrayList<>();
        setup.get("rows").forEach(row -> rows.add(new LinkedHashMap<>(JsonMaps.texts(row))));
        return new SetupPackage(
                JsonMaps.uuid(setup, "id", SETUP),
                setup.get("revision").asInt(),
                setup.get("name").stringValue(),
                setup.get("form").stringValue(),
                entries.createdAt(),
                new SetupContent(JsonMaps.texts(setup.get("values")), rows));
    }
}
