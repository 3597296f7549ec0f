package rovek.server.plant;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.server.audit.AuditTrail;
import rovek.server.problem.DomainProblem;
import rovek.server.problem.DomainProblem.Fault;

/** What nodes say about how checks beneath them are made. */
@Service
public class PlantSettings {

    private final SettingRepository settings;
    private final Plant plant;
    private final Techniques techniques;
    private final AuditTrail audit;

    PlantSettings(SettingRepository settings, Plant plant, Techniques techniques, AuditTrail audit) {
        this.settings = settings;
        this.plant = plant;
        this.techniques = techniques;
        this.audit = audit;
    }

    /**
     * A setting as it stands at a node.
     *
     * @param options words to choose from; empty for a number
     * @param own whether the node itself says so
     * @param originId node it comes from; null for the technique's default
     * @param originName how that node is called; blank for the default
     * @param inherited what would hold if the node itself said nothing
     */
    public record SettingLine(
            String key, String name, String unit, List<String> options, String value, boolean own,
            @Nullable UUID originId, String originName, String inherited) {}

    @Transactional(readOnly = true)
    public List<SettingLine> lines(UUID nodeId, String techniqueId) {
        PlantTree tree = plant.tree();
        PlantNode node = tree.find(nodeId).orElseThrow(() -> new DomainProblem.NotFound("That part of the plant"));
        Technique technique = technique(node.technique().isBlank() ? techniqueId : node.technique());
        var effective = tree.effectiveSettings(nodeId, technique);
        List<SettingLine> lines = new ArrayList<>();
        for (SettingDefinition definition : technique.settings()) {
            var setting = effective.get(definition.key());
            List<String> options = definition.kind() instanceof SettingDefinition.Choice choice ? choice.options() : List.of();
            lines.add(new SettingLine(
                    definition.key(), definition.name(), definition.unit(), options, setting.value(),
                    setting.overridden().isPresent(),
                    setting.origin().map(origin -> origin.node()).orElse(null),
                    setting.origin().map(origin -> origin.name()).orElse(""),
                    setting.overridden().orElse(setting.value())));
        }
        return lines;
    }

    /**
     * Sets and clears a node's own settings. Refused whole when a value cannot be, or a check beneath could not be measured
     * any more.
     *
     * @param values key to value; null to inherit again
     */
    @Transactional
    public List<SettingLine> set(UUID nodeId, String techniqueId, Map<String, String> values) {
        PlantNode node = plant.tree().find(nodeId).orElseThrow(() -> new DomainProblem.NotFound("That part of the plant"));
        Technique technique = technique(node.technique().isBlank() ? techniqueId : node.technique());
        requireValid(technique, values);
        Map<String, String> before = store(nodeId, technique.id(), values);
        requireMeasurable(nodeId, technique);
        audit.note("settings", "node", nodeId, before, values);
        return lines(nodeId, technique.id());
    }

    private static void requireValid(Technique technique, Map<String, String> values) {
        List<Fault> faults = new ArrayList<>();
        values.forEach((key, value) -> technique.settings().stream()
                .filter(definition -> definition.key().equals(key))
                .findFirst()
                .ifPresentOrElse(
                        definition -> {
                            if (value != null) {
                                definition.fault(value).ifPresent(reason -> faults.add(new Fault(key, reason)));
                            }
                        },
                        () -> faults.add(new Fault(key, "There is no setting \"" + key + "\"."))));
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(faults);
        }
    }

    private void requireMeasurable(UUID nodeId, Technique technique) {
        PlantTree tree;
        try {
            tree = plant.tree();
        } catch (InvalidSettingsException e) {
            throw new DomainProblem.Invalid("settings", e.getMessage());
        }
        List<Fault> faults = new ArrayList<>();
        for (PlantNode check : tree.checksBeneath(nodeId)) {
            try {
                if (check.technique().equals(technique.id())) {
                    tree.settings(check.id(), technique);
                }
            } catch (InvalidSettingsException e) {
                faults.add(new Fault("settings", check.label() + ": " + e.getMessage()));
            }
        }
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(faults);
        }
    }

    /** @return what the node said before, for the same keys */
    private Map<String, String> store(UUID nodeId, String technique, Map<String, String> values) {
        Map<String, SettingEntity> own = new HashMap<>();
        settings.findByNodeIdAndTechnique(nodeId, technique).forEach(setting -> own.put(setting.key, setting));
        Map<String, String> before = new HashMap<>();
        values.forEach((key, value) -> {
            SettingEntity setting = own.get(key);
            before.put(key, setting == null ? null : setting.value);
            if (value == null) {
                if (setting != null) {
                    settings.delete(setting);
                }
                return;
            }
            if (setting == null) {
                setting = new SettingEntity();
                setting.nodeId = nodeId;
                setting.technique = technique;
                setting.key = key;
            }
            setting.value = value;
            settings.save(setting);
        });
        return before;
    }

    void applyPreset(UUID nodeId, String techniqueId, String presetName) {
        if (presetName == null || presetName.isBlank()) {
            return;
        }
        Technique.Preset preset = technique(techniqueId).presets().stream()
                .filter(candidate -> candidate.name().equals(presetName))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid("preset", "There is no ready-made check \"" + presetName + "\"."));
        store(nodeId, techniqueId, preset.settings());
    }

    private Technique technique(String id) {
        return techniques.find(id)
                .orElseThrow(() -> new DomainProblem.Invalid("technique", "Rovek does not know the technique \"" + id + "\"."));
    }
}
