package rovek.server.follow.standing;

import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class FollowController {

    private final Follow follow;

    FollowController(Follow follow) {
        this.follow = follow;
    }

    @GetMapping("/api/nodes/{id}/sheet")
    Follow.Sheet sheet(@PathVariable UUID id) {
        return follow.sheet(id);
    }
}
