package rovek.server.plant.tree;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.entry.Entry;
import rovek.core.nameplate.AssetClass;
import rovek.core.nameplate.AssetClasses;
import rovek.core.nameplate.Attribute;
import rovek.core.nameplate.Nameplate;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Names;
import rovek.server.base.wording.Option;

/** What stands on the plates, by the class of the asset, and what the techniques make of it. */
@Service
public class Nameplates {

    private final Plant plant;
    private final Techniques techniques;

    Nameplates(Plant plant, Techniques techniques) {
        this.plant = plant;
        this.techniques = techniques;
    }

    /** A class to choose. */
    public record ClassView(String id, Sentence name) {}

    /**
     * A line of a nameplate.
     *
     * @param options words to choose from; empty otherwise
     * @param isNumber whether it takes a number
     * @param value blank where nothing is written
     */
    public record PlateLine(
            String key, Sentence name, String unit, List<Option> options, boolean isNumber, String value) {}

    /** Something that follows from the plate, e.g. where a bearing's defect would show. */
    public record Derived(Sentence name, double value, String unit) {}

    /** A node's nameplate; {@code assetClass} blank where none is chosen. */
    public record Plate(String assetClass, List<ClassView> classes, List<PlateLine> lines, List<Derived> derived) {}

    public Plate plate(UUID id) {
        PlantTree tree = plant.tree();
        Node node = tree.nodes().find(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        AssetClass chosen = node.level() == Level.SITE
                ? AssetClasses.SITE
                : AssetClasses.find(node.assetClass())
                        .or(() -> inherited(tree, id))
                        .orElseGet(() -> AssetClasses.find("other").orElseThrow());
        List<PlateLine> lines = chosen.attributes().stream()
                .map(attribute -> line(attribute, node))
                .toList();
        List<ClassView> classes = AssetClasses.all().stream()
                .map(one -> new ClassView(one.id(), Names.assetClass(one)))
                .toList();
        return new Plate(node.assetClass(), classes, lines, derived(tree.nameplate(id)));
    }

    /** A part is plated like the asset it belongs to. */
    private static Optional<AssetClass> inherited(PlantTree tree, UUID id) {
        return tree.nodes().path(id).stream()
                .flatMap(node -> AssetClasses.find(node.assetClass()).stream())
                .reduce((outer, inner) -> inner);
    }

    private static PlateLine line(Attribute attribute, Node node) {
        return new PlateLine(
                attribute.key(),
                attribute.called(),
                attribute.unit(),
                Option.of(attribute.kind().options()),
                attribute.kind() instanceof Entry.Number,
                node.nameplate().getOrDefault(attribute.key(), ""));
    }

    private List<Derived> derived(Nameplate plate) {
        List<Derived> derived = new ArrayList<>();
        for (Technique technique : techniques.list()) {
            technique
                    .characteristics(plate)
                    .forEach(one -> derived.add(new Derived(
                            one.called(),
                            one.value().value(),
                            one.value().unit().symbol())));
        }
        return derived;
    }
}
