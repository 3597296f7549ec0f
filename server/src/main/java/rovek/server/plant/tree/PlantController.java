package rovek.server.plant.tree;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.nameplate.AssetClasses;
import rovek.core.technique.SensorUse;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Names;
import rovek.server.base.wording.Option;

@RestController
@RequestMapping("/api/plant")
class PlantController {

    private final Plant plant;
    private final PlantEditor editor;
    private final PlantLedger ledger;
    private final PlantSettings settings;
    private final Nameplates nameplates;
    private final PlantKnowledge knowledge;
    private final Techniques techniques;

    PlantController(
            Plant plant,
            PlantEditor editor,
            PlantLedger ledger,
            PlantSettings settings,
            Nameplates nameplates,
            PlantKnowledge knowledge,
            Techniques techniques) {
        this.plant = plant;
        this.editor = editor;
        this.ledger = ledger;
        this.settings = settings;
        this.nameplates = nameplates;
        this.knowledge = knowledge;
        this.techniques = techniques;
    }

    /**
     * A technique as far as a person chooses it.
     *
     * @param sensitivityUnit of its sensors; blank where it needs none, likewise {@code sensorUnit}
     * @param sensorUnit of what its sensors measure, for their range
     */
    record TechniqueView(
            String id,
            Sentence name,
            List<Option> presets,
            List<SettingView> settings,
            List<ResultView> results,
            String sensitivityUnit,
            String sensorUnit) {}

    /**
     * A setting as it can be chosen for many; {@code options} empty for a number, {@code hint} how what is no number is
     * written.
     */
    record SettingView(String key, Sentence name, String unit, List<Option> options, Sentence hint) {}

    record ResultView(String id, Sentence name, String unit) {}

    @GetMapping
    List<PlantNode> nodes() {
        return plant.tree().inOrder();
    }

    @GetMapping("/techniques")
    List<TechniqueView> techniques() {
        return techniques.list().stream().map(this::view).toList();
    }

    private TechniqueView view(Technique technique) {
        Optional<SensorUse> use = technique.sensorUse();
        String sensitivityUnit =
                use.map(one -> technique.setting(one.sensitivityKey()).unit()).orElse("");
        return new TechniqueView(
                technique.id(),
                Names.technique(technique),
                technique.presets().stream()
                        .map(preset -> new Option(preset.name(), Names.preset(preset)))
                        .toList(),
                settingsOf(technique),
                technique.everyResult().stream()
                        .map(result -> new ResultView(
                                result.id(), Names.result(result), result.unit().symbol()))
                        .toList(),
                sensitivityUnit,
                use.map(SensorUse::quantityUnit).orElse(""));
    }

    private List<SettingView> settingsOf(Technique technique) {
        return technique.settings().stream()
                .map(one -> new SettingView(
                        one.key(),
                        one.called(technique.settingGroup()),
                        one.unit(),
                        knowledge.options(technique, one),
                        one.kind().hint()))
                .toList();
    }

    record ClassName(String id, Sentence name) {}

    /** What assets are sorted by. */
    record Classes(List<ClassName> classes, List<Option> criticalities) {}

    @GetMapping("/classes")
    Classes classes() {
        return new Classes(
                AssetClasses.all().stream()
                        .map(one -> new ClassName(one.id(), Names.assetClass(one)))
                        .toList(),
                Option.of(AssetClasses.CRITICALITIES));
    }

    @PostMapping("/nodes")
    @ResponseStatus(HttpStatus.CREATED)
    PlantEditor.Changed add(@RequestBody PlantEditor.NewNode node) {
        return editor.add(node);
    }

    @PostMapping("/alter")
    PlantLedger.Committed alter(@RequestBody PlantEditor.Altering wanted) {
        return editor.alter(wanted);
    }

    @PostMapping("/move")
    PlantLedger.Committed move(@RequestBody PlantEditor.Placing wanted) {
        return editor.move(wanted);
    }

    @PostMapping("/copy")
    PlantLedger.Committed copy(@RequestBody PlantEditor.Placing wanted) {
        return editor.copy(wanted);
    }

    @PostMapping("/remove")
    PlantLedger.Committed remove(@RequestBody PlantEditor.Removing wanted) {
        return editor.remove(wanted);
    }

    @GetMapping("/changes")
    List<PlantLedger.HistoryLine> history(@RequestParam(required = false) UUID node) {
        return ledger.history(node);
    }

    @PostMapping("/changes/{id}/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@PathVariable UUID id) {
        ledger.undo(id);
    }

    @PostMapping("/changes/{id}/redo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void redo(@PathVariable UUID id) {
        ledger.redo(id);
    }

    @GetMapping("/nodes/{id}/nameplate")
    Nameplates.Plate nameplate(@PathVariable UUID id) {
        return nameplates.plate(id);
    }

    @GetMapping("/nodes/{id}/settings")
    List<PlantSettings.SettingLine> settings(@PathVariable UUID id, @RequestParam(defaultValue = "") String technique) {
        return settings.lines(id, technique);
    }

    @PutMapping("/nodes/{id}/settings")
    PlantLedger.Committed set(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String technique,
            @RequestBody Map<String, String> values) {
        return settings.set(id, technique, values);
    }

    @PostMapping("/nodes/{id}/settings/effect")
    PlantSettings.Effect effect(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String technique,
            @RequestBody Map<String, String> values) {
        return settings.effect(id, technique, values);
    }

    @GetMapping("/sensors/{tag}/users")
    PlantSettings.SensorUsers usersOfSensor(@PathVariable String tag) {
        return settings.usersOf(tag);
    }
}
