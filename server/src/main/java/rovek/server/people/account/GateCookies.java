package rovek.server.people.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/**
 * The two cookies there are. Behind https their names begin with {@code __Host-}: a browser takes such a one only from
 * this very host, by https and for all its paths, so that no neighbour of the same domain can put one under us (RFC
 * 6265bis, 4.1.3.2).
 */
final class GateCookies {

    private static final String SESSION = "rovek_session";
    private static final String TOKEN = "XSRF-TOKEN";
    private static final String OF_THIS_HOST = "__Host-";

    private GateCookies() {}

    static CookieSerializer ofSessions() {
        CookieSerializer plain = session(SESSION, false);
        CookieSerializer behindHttps = session(OF_THIS_HOST + SESSION, true);
        return new CookieSerializer() {
            @Override
            public void writeCookieValue(CookieValue value) {
                of(value.getRequest()).writeCookieValue(value);
            }

            @Override
            public List<String> readCookieValues(HttpServletRequest request) {
                return of(request).readCookieValues(request);
            }

            private CookieSerializer of(HttpServletRequest request) {
                return request.isSecure() ? behindHttps : plain;
            }
        };
    }

    private static CookieSerializer session(String name, boolean isSecure) {
        DefaultCookieSerializer cookie = new DefaultCookieSerializer();
        cookie.setCookieName(name);
        cookie.setCookiePath("/");
        cookie.setSameSite("Lax");
        cookie.setUseHttpOnlyCookie(true);
        cookie.setUseSecureCookie(isSecure);
        return cookie;
    }

    /** One that the page's own scripts read and send back. */
    static CsrfTokenRepository ofTokens() {
        CsrfTokenRepository plain = token(TOKEN, false);
        CsrfTokenRepository behindHttps = token(OF_THIS_HOST + TOKEN, true);
        Unguessable words = new Unguessable();
        return new CsrfTokenRepository() {
            @Override
            public CsrfToken generateToken(HttpServletRequest request) {
                return new DefaultCsrfToken("X-XSRF-TOKEN", "_csrf", words.generate());
            }

            @Override
            public void saveToken(CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
                of(request).saveToken(token, request, response);
            }

            @Override
            public CsrfToken loadToken(HttpServletRequest request) {
                return of(request).loadToken(request);
            }

            private CsrfTokenRepository of(HttpServletRequest request) {
                return request.isSecure() ? behindHttps : plain;
            }
        };
    }

    private static CsrfTokenRepository token(String name, boolean isSecure) {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieName(name);
        tokens.setCookiePath("/");
        tokens.setCookieCustomizer(cookie -> cookie.secure(isSecure).sameSite("Lax"));
        return tokens;
    }
}
