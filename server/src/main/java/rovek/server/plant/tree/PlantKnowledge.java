package rovek.server.plant.tree;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import rovek.core.limit.LimitTimeline;
import rovek.core.nameplate.AssetClasses;
import rovek.core.plant.Facet;
import rovek.core.plant.exchange.ImportKnowledge;
import rovek.core.plant.template.Template;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.SensorUse;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Names;
import rovek.server.base.wording.Option;
import rovek.server.instruments.sensor.Sensors;
import rovek.server.people.unit.OwnUnits;

/** What the techniques and the asset classes know of the values a table may hold. */
@Component
public class PlantKnowledge {

    private final Techniques techniques;
    private final Sensors sensors;
    private final OwnUnits units;

    PlantKnowledge(Techniques techniques, Sensors sensors, OwnUnits units) {
        this.units = units;
        this.techniques = techniques;
        this.sensors = sensors;
    }

    /** @param templates name to template */
    public ImportKnowledge with(Function<String, Optional<Template>> templates) {
        KnownUnits known = units.known();
        return new ImportKnowledge() {
            @Override
            public Optional<Template> template(String name) {
                return templates.apply(name);
            }

            @Override
            public Optional<ReadyMade> check(String name) {
                return readyMade(name);
            }

            @Override
            public String kept(String facet, String typed) {
                return PlantKnowledge.this.kept(facet, typed, known);
            }

            @Override
            public Optional<Sentence> fault(String facet, String value) {
                return PlantKnowledge.this.fault(facet, value);
            }
        };
    }

    private Optional<ImportKnowledge.ReadyMade> readyMade(String name) {
        for (Technique technique : techniques.list()) {
            for (Technique.Preset preset : technique.presets()) {
                if (plain(preset.name()).equals(plain(name))) {
                    return Optional.of(new ImportKnowledge.ReadyMade(technique.id(), preset.settings()));
                }
            }
        }
        return Optional.empty();
    }

    /** However long the dash was typed. */
    private static String plain(String name) {
        return name.toLowerCase(Locale.ROOT)
                .replace('–', '-')
                .replaceAll("\\s+", " ")
                .strip();
    }

    /** What is kept of a value that was typed: numbers in the unit of their field, whichever they were typed in. */
    public String kept(String facet, String typed, KnownUnits units) {
        if (facet.startsWith(Facet.NAMEPLATE)) {
            return AssetClasses.attribute(facet.substring(Facet.NAMEPLATE.length()))
                    .map(attribute -> attribute.kept(typed, units))
                    .orElse(typed);
        }
        if (facet.startsWith(Facet.SETTING)) {
            String[] key = facet.substring(Facet.SETTING.length()).split("\\.", 2);
            return techniques.find(key[0]).stream()
                    .flatMap(technique -> technique.settings().stream())
                    .filter(setting -> key.length == 2 && setting.key().equals(key[1]))
                    .findFirst()
                    .map(setting -> setting.kept(typed, units))
                    .orElse(typed);
        }
        if (facet.startsWith(Facet.LIMIT)) {
            String[] key = facet.substring(Facet.LIMIT.length()).split("\\.", 2);
            return techniques
                    .find(key[0])
                    .filter(technique -> key.length == 2)
                    .flatMap(technique -> result(technique, key[1]))
                    .map(result -> LimitTimeline.kept(typed, result, units))
                    .orElse(typed);
        }
        return typed;
    }

    /** Why a facet does not take a value; empty where it does. */
    Optional<Sentence> fault(String facet, String value) {
        if (facet.equals(Facet.CLASS)) {
            return AssetClasses.find(value).isPresent()
                    ? Optional.empty()
                    : Optional.of(Sentence.of(
                            "plant.noClass", "class", value, "classes", String.join(", ", AssetClasses.ids())));
        }
        if (facet.equals(Facet.TECHNIQUE)) {
            return techniques.find(value).isPresent() ? Optional.empty() : Optional.of(unknownTechnique(value));
        }
        if (facet.startsWith(Facet.NAMEPLATE)) {
            return AssetClasses.fault(facet.substring(Facet.NAMEPLATE.length()), value);
        }
        if (facet.startsWith(Facet.SETTING)) {
            return nested(
                    facet.substring(Facet.SETTING.length()), (technique, key) -> settingFault(technique, key, value));
        }
        if (facet.startsWith(Facet.LIMIT)) {
            return nested(
                    facet.substring(Facet.LIMIT.length()), (technique, result) -> limitFault(technique, result, value));
        }
        return Optional.empty();
    }

    @FunctionalInterface
    private interface Check {
        Optional<Sentence> of(Technique technique, String key);
    }

    private Optional<Sentence> nested(String key, Check check) {
        String technique = key.substring(0, key.indexOf('.'));
        return techniques
                .find(technique)
                .map(found -> check.of(found, key.substring(key.indexOf('.') + 1)))
                .orElseGet(() -> Optional.of(unknownTechnique(technique)));
    }

    /** Words to choose a setting's value from; empty where it is typed. */
    List<Option> options(Technique technique, SettingDefinition definition) {
        if (!namesASensor(technique, definition.key())) {
            return Option.of(definition.kind().options());
        }
        Stream<Option> tags = sensors.list().stream()
                .filter(sensor -> sensor.technique().equals(technique.id()) && !sensor.retired())
                .map(sensor -> Option.named(sensor.tag()));
        return Stream.concat(Stream.of(Option.of(SensorUse.NONE)), tags).toList();
    }

    private static boolean namesASensor(Technique technique, String key) {
        return technique.sensorUse().filter(use -> use.nameKey().equals(key)).isPresent();
    }

    private Optional<Sentence> settingFault(Technique technique, String key, String value) {
        if (namesASensor(technique, key) && !value.equals(SensorUse.NONE) && !sensors.isKnown(value, technique.id())) {
            return Optional.of(Sentence.of("plant.noSensor", "sensor", value, "technique", Names.technique(technique)));
        }
        Optional<SettingDefinition> definition = technique.settings().stream()
                .filter(one -> one.key().equals(key))
                .findFirst();
        return definition.isPresent()
                ? definition.get().fault(technique.settingGroup(), value)
                : Optional.of(Sentence.of("plant.noSetting", "setting", key));
    }

    /** Also one of a band, which its technique knows by its id alone; empty where it yields none of that id. */
    private static Optional<ResultDefinition> result(Technique technique, String id) {
        try {
            return Optional.of(technique.result(id));
        } catch (IllegalArgumentException none) {
            return Optional.empty();
        }
    }

    private static Optional<Sentence> limitFault(Technique technique, String id, String value) {
        Optional<ResultDefinition> result = result(technique, id);
        if (result.isEmpty()) {
            return Optional.of(Sentence.of("plant.noResult", "technique", Names.technique(technique), "result", id));
        }
        ResultDefinition definition = result.get();
        try {
            return LimitTimeline.parse(value, definition.sense()).isFor(definition.unit())
                    ? Optional.empty()
                    : Optional.of(Sentence.of(
                            "plant.limitOfOtherUnit",
                            "result",
                            Names.result(definition),
                            "unit",
                            definition.unit().symbol(),
                            "limit",
                            value));
        } catch (Refused wrong) {
            return Optional.of(wrong.sentence());
        }
    }

    private static Sentence unknownTechnique(String id) {
        return Sentence.of("base.unknownTechnique", "technique", id);
    }
}
