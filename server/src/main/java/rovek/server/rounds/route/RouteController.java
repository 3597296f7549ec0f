package rovek.server.rounds.route;

import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/routes")
class RouteController {

    private final Routes routes;
    private final WalkOrders orders;
    private final SkipReasons skipReasons;

    RouteController(Routes routes, WalkOrders orders, SkipReasons skipReasons) {
        this.routes = routes;
        this.orders = orders;
        this.skipReasons = skipReasons;
    }

    record Reasons(List<String> reasons) {}

    @GetMapping
    List<RouteView> list() {
        return routes.list();
    }

    @GetMapping("/{id}")
    RouteView get(@PathVariable UUID id) {
        return routes.get(id);
    }

    @PutMapping("/{id}")
    RouteView put(@PathVariable UUID id, @RequestBody RouteDraft draft) {
        return routes.put(id, draft);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        routes.remove(id);
    }

    @GetMapping("/removed")
    List<Routes.RemovedRoute> removed() {
        return routes.removed();
    }

    @PostMapping("/{id}/bring-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void bringBack(@PathVariable UUID id) {
        routes.bringBack(id);
    }

    @PostMapping("/{id}/split")
    Routes.Halves split(@PathVariable UUID id, @RequestBody Routes.Split wanted) {
        return routes.split(id, wanted);
    }

    /** Puts stops in order; saves nothing. */
    @PostMapping("/shortest-walk")
    WalkOrders.WalkOrder shortestWalk(@RequestBody WalkOrders.WalkWanted wanted) {
        return orders.shortest(wanted);
    }

    @GetMapping("/skip-reasons")
    Reasons skipReasons() {
        return new Reasons(skipReasons.list());
    }

    @PutMapping("/skip-reasons")
    Reasons putSkipReasons(@RequestBody Reasons wanted) {
        return new Reasons(skipReasons.put(wanted.reasons()));
    }
}
