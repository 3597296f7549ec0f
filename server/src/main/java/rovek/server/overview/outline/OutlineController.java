package rovek.server.overview.outline;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Reads only; asked by POST because what is open would not fit an address. */
@RestController
@RequestMapping("/api/outline")
class OutlineController {

    private static final int MOST_PICKED = 1_000;

    private final Outlines outlines;

    OutlineController(Outlines outlines) {
        this.outlines = outlines;
    }

    record Children(UUID parentId, @Nullable OutlineFilter filter) {}

    @GetMapping("/areas")
    List<Outlines.Found> areas() {
        return outlines.areas();
    }

    @PostMapping
    Outlines.Outline outline(@RequestBody Outlines.Wanted wanted) {
        return outlines.outline(wanted);
    }

    @PostMapping("/children")
    Outlines.Block children(@RequestBody Children wanted) {
        return outlines.block(wanted.parentId(), wanted.filter());
    }

    @GetMapping("/find")
    List<Outlines.Found> find(@RequestParam(defaultValue = "") String text) {
        return outlines.find(text);
    }

    /** Checks to be picked; {@code nodeId} null for the whole plant. */
    record Picking(@Nullable UUID nodeId, @Nullable OutlineFilter filter) {}

    @PostMapping("/checks")
    Outlines.Picked checks(@RequestBody Picking wanted) {
        return outlines.checks(wanted.nodeId(), wanted.filter(), MOST_PICKED);
    }
}
