package rovek.server.base.wording;

import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.jackson.JacksonComponent;
import rovek.core.wording.Sentence;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;

/** In an answer a sentence is a text, in the language of whoever asked. */
@JacksonComponent
class WordedJson extends ValueSerializer<Sentence> {

    static {
        SpringDocUtils.getConfig().replaceWithClass(Sentence.class, String.class);
    }

    @Override
    public void serialize(Sentence sentence, JsonGenerator json, SerializationContext context) {
        json.writeString(Wording.said(sentence));
    }
}
