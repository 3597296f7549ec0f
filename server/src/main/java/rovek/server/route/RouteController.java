package rovek.server.route;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/routes")
class RouteController {

    private final Routes routes;

    RouteController(Routes routes) {
        this.routes = routes;
    }

    @GetMapping
    List<Routes.RouteView> list() {
        return routes.list();
    }

    @GetMapping("/{id}")
    Routes.RouteView get(@PathVariable UUID id) {
        return routes.get(id);
    }

    @PutMapping("/{id}")
    Routes.RouteView put(@PathVariable UUID id, @RequestBody Routes.RouteDraft draft) {
        return routes.put(id, draft);
    }

    /** How to split a route. */
    record Split(List<UUID> firstChecks, UUID newId, int version) {}

    @PostMapping("/{id}/split")
    Routes.Halves split(@PathVariable UUID id, @RequestBody Split wanted) {
        return routes.split(id, wanted.firstChecks(), wanted.newId(), wanted.version());
    }
}
