package rovek.server.base.room;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.problem.ProblemWriter;

/**
 * A large body is read only once there is room for it. Comes after it is known who sends it: a stranger takes no room
 * away.
 */
@Component
@Order(0)
class RoomForBodies extends OncePerRequestFilter {

    private static final long SMALL = 256 << 10;
    /** The bytes themselves and their text; what is made of it is the work's. */
    private static final int TIMES_AS_LARGE = 2;
    /** What comes without saying how long it is may be as long as any. */
    private static final long OF_UNKNOWN_LENGTH = 64L << 20;

    private final WorkingRoom room;

    RoomForBodies(WorkingRoom room) {
        this.room = room;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long length =
                request.getHeader("Transfer-Encoding") == null ? request.getContentLengthLong() : OF_UNKNOWN_LENGTH;
        if (length <= SMALL) {
            chain.doFilter(request, response);
            return;
        }
        WorkingRoom.Taken taken;
        try {
            taken = room.takeForBody(TIMES_AS_LARGE * length);
        } catch (DomainProblem.Busy busy) {
            ProblemWriter.write(request, response, HttpStatus.SERVICE_UNAVAILABLE, busy.code(), busy.sentence());
            return;
        }
        try (taken) {
            chain.doFilter(request, response);
        }
    }
}
