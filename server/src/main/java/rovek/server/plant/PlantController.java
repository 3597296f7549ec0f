package rovek.server.plant;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;

@RestController
@RequestMapping("/api/plant")
class PlantController {

    private final Plant plant;
    private final PlantEditor editor;
    private final PlantSettings settings;
    private final Techniques techniques;

    PlantController(Plant plant, PlantEditor editor, PlantSettings settings, Techniques techniques) {
        this.plant = plant;
        this.editor = editor;
        this.settings = settings;
        this.techniques = techniques;
    }

    record TechniqueView(String id, String name, List<String> presets) {}

    @GetMapping
    List<PlantNode> nodes() {
        return plant.tree().inOrder();
    }

    @GetMapping("/techniques")
    List<TechniqueView> techniques() {
        return techniques.list().stream()
                .sorted(Comparator.comparing(Technique::name))
                .map(t -> new TechniqueView(t.id(), t.name(), t.presets().stream().map(Technique.Preset::name).toList()))
                .toList();
    }

    @PostMapping("/nodes")
    @ResponseStatus(HttpStatus.CREATED)
    PlantEditor.Changed add(@RequestBody PlantEditor.NewNode node) {
        return editor.add(node);
    }

    @PatchMapping("/nodes/{id}")
    PlantEditor.Changed name(@PathVariable UUID id, @RequestBody PlantEditor.NewName name) {
        return editor.name(id, name);
    }

    @PostMapping("/nodes/{id}/move")
    PlantEditor.Changed move(@PathVariable UUID id, @RequestBody PlantEditor.NewPlace place) {
        return editor.move(id, place);
    }

    @DeleteMapping("/nodes/{id}")
    PlantEditor.Changed remove(@PathVariable UUID id) {
        return editor.remove(id);
    }

    @GetMapping("/changes")
    List<PlantEditor.HistoryLine> history() {
        return editor.history();
    }

    @PostMapping("/changes/{id}/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@PathVariable UUID id) {
        editor.undo(id);
    }

    @GetMapping("/nodes/{id}/settings")
    List<PlantSettings.SettingLine> settings(
            @PathVariable UUID id, @RequestParam(defaultValue = "vibration") String technique) {
        return settings.lines(id, technique);
    }

    @PutMapping("/nodes/{id}/settings")
    List<PlantSettings.SettingLine> set(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "vibration") String technique,
            @RequestBody Map<String, String> values) {
        return settings.set(id, technique, values);
    }
}
