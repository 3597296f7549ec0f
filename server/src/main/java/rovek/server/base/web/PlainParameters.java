package rovek.server.base.web;

import java.util.OptionalInt;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import rovek.core.entry.PlainText;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/** Texts that come with an address or a form, held to what holds for those in a body. */
@Configuration
class PlainParameters implements WebMvcConfigurer {

    private static final int LONGEST = 2_000;

    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverter(new Plain());
    }

    private static final class Plain implements Converter<String, String> {

        @Override
        public String convert(String text) {
            if (text.length() > LONGEST) {
                throw new DomainProblem.Invalid("text", Sentence.of("base.addressTooLong", "most", LONGEST));
            }
            OptionalInt stranger = PlainText.firstStranger(text);
            if (stranger.isPresent()) {
                throw new DomainProblem.Invalid("text", WholeBodies.strangerSentence(stranger.getAsInt()));
            }
            return text;
        }
    }
}
