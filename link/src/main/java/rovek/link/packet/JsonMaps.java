package rovek.link.packet;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import rovek.core.entry.PlainText;
import rovek.core.wording.Sentence;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Small pieces that several parts of a package share. */
final class JsonMaps {

    private static final int LONGEST_TEXT = 10_000;

    private JsonMaps() {}

    /** In the order of the keys, so that the same settings are the same bytes. */
    static void put(ObjectNode into, Map<String, String> texts) {
        new TreeMap<>(texts).forEach(into::put);
    }

    static Map<String, String> texts(JsonNode object) {
        Map<String, String> texts = new TreeMap<>();
        object.properties().forEach(property -> texts.put(property.getKey(), plain(object, property.getKey())));
        return texts;
    }

    /** A text without characters that no screen shows and no database keeps; blank where there is none. */
    static String plain(JsonNode object, String field) {
        return PlainText.without(object.path(field).asString(""), LONGEST_TEXT);
    }

    static UUID uuid(JsonNode object, String field, String where) throws PackageException {
        String text = object.get(field).stringValue();
        try {
            return UUID.fromString(text);
        } catch (IllegalArgumentException e) {
            throw PackageException.invalid(where, Sentence.of("packet.notAnId", "text", text));
        }
    }
}
