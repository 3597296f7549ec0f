package rovek.server.plant.template;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.plant.tree.PlantLedger;

@RestController
@RequestMapping("/api/templates")
class TemplateController {

    private final Templates templates;

    TemplateController(Templates templates) {
        this.templates = templates;
    }

    @GetMapping
    List<Templates.TemplateLine> list() {
        return templates.list();
    }

    @PostMapping
    Templates.TemplateLine keep(@RequestBody Templates.Keeping wanted) {
        return templates.keep(wanted);
    }

    @PostMapping("/{id}/stamp")
    PlantLedger.Committed stamp(@PathVariable UUID id, @RequestBody Templates.Stamping wanted) {
        return templates.stamp(id, wanted);
    }

    @GetMapping("/{id}/followers")
    List<Templates.Follower> followers(@PathVariable UUID id) {
        return templates.followers(id);
    }

    @PostMapping("/{id}/follow")
    PlantLedger.Committed follow(@PathVariable UUID id, @RequestBody List<UUID> assets) {
        return templates.follow(id, assets);
    }
}
