package rovek.server.base.wording;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.util.TimeZone;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * How days are written: as the language does, or after a pattern that a person chose, which travels with the language
 * as its private part (BCP 47, {@code de-x-days-ymd}), so that it goes wherever the language goes, into a job too.
 */
public final class DayFormat {

    /** Written by the front end: one of the {@link #PATTERNS}. */
    public static final String COOKIE = "days";

    /** ISO 8601, for what is read by people of any country. */
    public static final String ISO = "yyyy-MM-dd";

    /** What there is to choose from. */
    public static final List<String> PATTERNS = List.of(ISO, "dd.MM.yyyy", "dd/MM/yyyy", "MM/dd/yyyy");

    /** How a language's private part calls each of them. */
    private static final Map<String, String> CALLED =
            Map.of(ISO, "ymd", "dd.MM.yyyy", "dmydot", "dd/MM/yyyy", "dmyslash", "MM/dd/yyyy", "mdyslash");

    private static final Map<String, DateTimeFormatter> FORMATS = CALLED.entrySet().stream()
            .collect(Collectors.toUnmodifiableMap(
                    called -> "days-" + called.getValue(), called -> DateTimeFormatter.ofPattern(called.getKey())));

    private DayFormat() {}

    /** The language with days after a pattern; as it is where that is none to choose from. */
    public static Locale chosen(Locale language, String pattern) {
        String called = CALLED.get(pattern);
        return called == null ? language : Locale.forLanguageTag(language.getLanguage() + "-x-days-" + called);
    }

    /** In English the day comes first, as screens write it. */
    private static Locale readers(Locale language) {
        return language.getLanguage().equals("en") ? Locale.UK : language;
    }

    /** A day as it is written for a reader of this language. */
    static String written(LocalDate day, Locale language) {
        String chosen = language.getExtension(Locale.PRIVATE_USE_EXTENSION);
        DateTimeFormatter pattern = chosen == null ? null : FORMATS.get(chosen);
        if (pattern != null) {
            return pattern.format(day);
        }
        DateFormat usual = DateFormat.getInstanceForSkeleton(DateFormat.YEAR_ABBR_MONTH_DAY, readers(language));
        usual.setTimeZone(TimeZone.GMT_ZONE);
        Instant midnight = day.atStartOfDay(ZoneOffset.UTC).toInstant();
        return usual.format(Date.from(midnight));
    }
}
