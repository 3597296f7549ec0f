package rovek.fieldsim;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Optional;
import rovek.core.wording.Sentence;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What the stand-in says in one language; the panel in the browser reads the same files. */
final class PanelWords {

    /** What goes over the wire: SCPI knows no other. */
    static final PanelWords ENGLISH = new PanelWords("en");

    private final Map<String, String> words;

    private PanelWords(String language) {
        try (InputStream in = Panel.class.getResourceAsStream("words/" + language + ".json")) {
            words = JsonMapper.builder().build().readValue(in, new TypeReference<>() {});
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What has no words here is told by its key: another instrument would know it as little. */
    String of(Sentence sentence) {
        return Optional.ofNullable(words.get(sentence.key()))
                .map(message -> filled(message, sentence))
                .orElseGet(sentence::toString);
    }

    private static String filled(String message, Sentence sentence) {
        String filled = message;
        for (Map.Entry<String, Object> value : sentence.values().entrySet()) {
            filled = filled.replace("{" + value.getKey() + "}", value.getValue().toString());
        }
        return filled;
    }
}
