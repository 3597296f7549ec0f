package rovek.server.base.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.ProblemWriter;
import rovek.server.base.problem.TooLarge;

/**
 * No body is read further than it may be long: little before somebody is signed in, more afterwards; files have a limit
 * of their own.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimits extends OncePerRequestFilter {

    private static final long LONGEST_SIGN_IN = 8 << 10;
    private static final long LONGEST_BODY = 8 << 20;
    /** A round by hand brings its photos. */
    private static final long LONGEST_ROUND = 32 << 20;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String type = request.getContentType();
        if (type != null && type.toLowerCase(Locale.ROOT).startsWith("multipart/")) {
            chain.doFilter(request, response);
            return;
        }
        String address = request.getRequestURI();
        long longest = address.startsWith("/api/session")
                ? LONGEST_SIGN_IN
                : address.startsWith("/api/by-hand") ? LONGEST_ROUND : LONGEST_BODY;
        if (request.getContentLengthLong() > longest) {
            ProblemWriter.write(request, response, HttpStatus.CONTENT_TOO_LARGE, "too-large", sentence(longest));
            return;
        }
        chain.doFilter(new Limited(request, longest), response);
    }

    private static Sentence sentence(long longest) {
        return Sentence.of("base.bodyTooLarge", "most", longest >> 10);
    }

    private static final class Limited extends HttpServletRequestWrapper {

        private final long longest;
        private ServletInputStream counted;

        Limited(HttpServletRequest request, long longest) {
            super(request);
            this.longest = longest;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (counted == null) {
                counted = new Counted(super.getInputStream(), longest);
            }
            return counted;
        }
    }

    private static final class Counted extends ServletInputStream {

        private final ServletInputStream in;
        private final long longest;
        private long left;

        Counted(ServletInputStream in, long longest) {
            this.in = in;
            this.longest = longest;
            this.left = longest;
        }

        @Override
        public int read() throws IOException {
            int one = in.read();
            return counted(one < 0 ? 0 : 1) == 0 ? -1 : one;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int count = in.read(into, from, most);
            counted(Math.max(0, count));
            return count;
        }

        private int counted(int count) throws TooLarge {
            left -= count;
            if (left < 0) {
                throw new TooLarge(sentence(longest));
            }
            return count;
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
