package rovek.server.base.wording;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rovek.core.wording.Sentence;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A sentence as it is kept in a column of text, so that everybody reads later in his own language what was said: what
 * is worded already as it is, anything else as JSON, {@code {"say": key, "with": {name: value}}}; a day is
 * {@code {"day": "2026-11-30"}}.
 */
public final class StoredSentence {

    private static final String SAY = "say";
    private static final String WITH = "with";
    private static final String DAY = "day";
    private static final String BEGIN = "{\"" + SAY + "\":";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private StoredSentence() {}

    public static String write(Sentence sentence) {
        // A text that looks like one of ours is kept the long way.
        return sentence.text()
                .filter(text -> !text.startsWith(BEGIN))
                .orElseGet(() -> JSON.writeValueAsString(node(sentence)));
    }

    private static ObjectNode node(Sentence sentence) {
        ObjectNode node = JSON.createObjectNode();
        node.put(SAY, sentence.key());
        ObjectNode with = node.putObject(WITH);
        sentence.values().forEach((name, value) -> {
            if (value instanceof Sentence part) {
                with.set(name, node(part));
            } else if (value instanceof LocalDate day) {
                with.putObject(name).put(DAY, day.toString());
            } else if (value instanceof Integer || value instanceof Long) {
                with.put(name, ((Number) value).longValue());
            } else if (value instanceof Number number) {
                with.put(name, number.doubleValue());
            } else {
                with.put(name, value.toString());
            }
        });
        return node;
    }

    /** What was written; a text of an earlier version is worded already. */
    public static Sentence read(String stored) {
        if (!stored.startsWith(BEGIN)) {
            return Sentence.plain(stored);
        }
        try {
            return sentence(JSON.readTree(stored));
        } catch (JacksonException | DateTimeException cutOff) {
            return Sentence.plain(stored);
        }
    }

    /** Several, a line each. */
    public static String writeAll(List<Sentence> sentences) {
        return String.join("\n", sentences.stream().map(StoredSentence::write).toList());
    }

    public static List<Sentence> readAll(String stored) {
        return stored.lines().map(StoredSentence::read).toList();
    }

    private static Sentence sentence(JsonNode node) {
        Map<String, Object> values = new LinkedHashMap<>();
        node.path(WITH).properties().forEach(entry -> values.put(entry.getKey(), value(entry.getValue())));
        return new Sentence(node.path(SAY).asString(""), values);
    }

    private static Object value(JsonNode value) {
        if (value.has(DAY)) {
            return LocalDate.parse(value.path(DAY).asString(""));
        }
        if (value.isObject()) {
            return sentence(value);
        }
        if (value.isIntegralNumber()) {
            return value.longValue();
        }
        return value.isNumber() ? (Object) value.doubleValue() : value.asString("");
    }
}
