package rovek.server.instruments.instrument;

import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/connections")
class ConnectionController {

    private final Connections connections;
    private final Presence presence;

    ConnectionController(Connections connections, Presence presence) {
        this.connections = connections;
        this.presence = presence;
    }

    record Named(String name) {}

    /** Who is there; asked every few seconds while somebody looks. */
    @GetMapping
    Presence.Findings look() {
        return presence.look(false);
    }

    @PostMapping("/find")
    Presence.Findings find() {
        return presence.look(true);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    InstrumentView connect(@RequestBody Connections.ConnectionDraft draft) {
        return connections.connect(draft);
    }

    @PostMapping("/{id}/try")
    InstrumentView tried(@PathVariable UUID id) {
        return connections.tried(id);
    }

    @PatchMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rename(@PathVariable UUID id, @RequestBody Named named) {
        connections.rename(id, named.name());
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        connections.remove(id);
    }
}
