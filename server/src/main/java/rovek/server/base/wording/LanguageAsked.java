package rovek.server.base.wording;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.LocaleResolver;

/**
 * The language of an answer: the one that was chosen in the browser, by its cookie, for a stream or a file that is
 * saved says it no other way; else the one of the request; else the usual one. How days are written comes the same way.
 */
@Component("localeResolver")
public class LanguageAsked implements LocaleResolver {

    /** Written by the front end. */
    public static final String COOKIE = "language";

    @Override
    public Locale resolveLocale(HttpServletRequest request) {
        return of(request);
    }

    public static Locale of(HttpServletRequest request) {
        Locale language = chosen(request, COOKIE)
                .filter(Wording.SHIPPED.languages()::contains)
                .map(Locale::forLanguageTag)
                .orElseGet(() -> request.getHeader("Accept-Language") == null ? Wording.USUAL : request.getLocale());
        return chosen(request, DayFormat.COOKIE)
                .map(pattern -> DayFormat.chosen(language, pattern))
                .orElse(language);
    }

    private static Optional<String> chosen(HttpServletRequest request, String cookie) {
        return Stream.ofNullable(request.getCookies())
                .flatMap(Arrays::stream)
                .filter(one -> one.getName().equals(cookie))
                .map(Cookie::getValue)
                .findFirst();
    }

    /** Chosen in the browser alone. */
    @Override
    public void setLocale(
            HttpServletRequest request, @Nullable HttpServletResponse response, @Nullable Locale language) {
        throw new UnsupportedOperationException();
    }
}
