package rovek.server.base.wording;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.NumberFormat;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import rovek.core.wording.Sentence;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * How sentences are worded in each language: by message files, one directory a language, one file a wing, with plurals
 * and numbers in ICU's message format. A language that is added as files is spoken.
 */
public final class Wording {

    /** What is spoken where a language is not, or lacks a message. */
    public static final Locale USUAL = Locale.ENGLISH;

    /** The languages that Rovek comes with. */
    public static final Wording SHIPPED = shipped();

    private static final Pattern TWO_ENDS = Pattern.compile("(?<=\\p{L})\\.\\.(?=\\s|$)");

    private static final int MOST_DECIMALS = 15;

    private final Map<String, Map<String, String>> messages;

    /** @param messages language to key to message */
    Wording(Map<String, Map<String, String>> messages) {
        this.messages = messages;
    }

    private static Wording shipped() {
        Map<String, Map<String, String>> messages = new TreeMap<>();
        JsonMapper json = JsonMapper.builder().build();
        try {
            for (Resource file :
                    new PathMatchingResourcePatternResolver().getResources("classpath*:rovek/server/words/*/*.json")) {
                String[] path = file.getURL().getPath().split("/");
                String language = path[path.length - 2];
                String wing = path[path.length - 1].replace(".json", "");
                try (InputStream in = file.getInputStream()) {
                    json.readValue(in, new TypeReference<Map<String, String>>() {})
                            .forEach((key, message) -> messages.computeIfAbsent(language, none -> new HashMap<>())
                                    .put(wing + "." + key, message));
                }
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        return new Wording(messages);
    }

    /** The language of whoever is answered just now; the usual one where nobody asked. */
    public static Locale here() {
        return LocaleContextHolder.getLocaleContext() == null ? USUAL : LocaleContextHolder.getLocale();
    }

    /** A sentence in the language of whoever is answered just now. */
    public static String said(Sentence sentence) {
        return SHIPPED.of(sentence, here());
    }

    /**
     * Does work for somebody in a language, though another thread does it.
     *
     * @param language as {@link #here} was where it was asked for
     */
    public static Runnable spoken(Locale language, Runnable work) {
        return () -> {
            LocaleContextHolder.setLocale(language);
            try {
                work.run();
            } finally {
                LocaleContextHolder.resetLocaleContext();
            }
        };
    }

    public Set<String> languages() {
        return messages.keySet();
    }

    /** Key to message of a language. */
    Map<String, String> of(String language) {
        return messages.getOrDefault(language, Map.of());
    }

    /**
     * A sentence in a language, in the usual one where that is not spoken; the key where there is no message at all.
     */
    public String of(Sentence sentence, Locale locale) {
        // A trend has thousands of these.
        if (sentence.text().isPresent()) {
            return sentence.text().get();
        }
        String message = of(locale.getLanguage()).get(sentence.key());
        Locale spoken = message == null ? USUAL : locale;
        String pattern = message == null ? of(USUAL.getLanguage()).get(sentence.key()) : message;
        if (pattern == null) {
            return sentence.usual().orElse(sentence.key());
        }
        if (pattern.indexOf('{') < 0) {
            return pattern.replace("''", "'");
        }
        Map<String, Object> values = new HashMap<>();
        sentence.values()
                .forEach((name, value) -> values.put(name, worded(value, locale, pattern.contains("{" + name + "}"))));
        String said = new MessageFormat(pattern, spoken).format(values);
        // A sentence within a sentence ends it too.
        return said.contains("..") ? TWO_ENDS.matcher(said).replaceAll(".") : said;
    }

    /** @param isAlone whether the message leaves open how a number is written: then all of its digits are */
    private Object worded(Object value, Locale locale, boolean isAlone) {
        if (value instanceof Sentence part) {
            return of(part, locale);
        }
        if (value instanceof LocalDate day) {
            return DayFormat.written(day, locale);
        }
        if (isAlone && (value instanceof Double || value instanceof BigDecimal)) {
            return digits((Number) value, locale);
        }
        return value instanceof Number ? value : value.toString();
    }

    private static String digits(Number value, Locale locale) {
        NumberFormat format = NumberFormat.getInstance(locale);
        format.setGroupingUsed(false);
        format.setMaximumFractionDigits(MOST_DECIMALS);
        return format.format(value);
    }
}
