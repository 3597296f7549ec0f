package rovek.server.instruments.instrument;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The networks where instruments may be, for the administrator who keeps them. */
@RestController
@RequestMapping("/api/networks")
class NetworkController {

    private final AllowedTargets targets;

    NetworkController(AllowedTargets targets) {
        this.targets = targets;
    }

    @GetMapping
    AllowedTargets.Networks now() {
        return targets.now();
    }

    @PutMapping
    AllowedTargets.Networks put(@RequestBody AllowedTargets.Networks wanted) {
        return targets.put(wanted);
    }
}
