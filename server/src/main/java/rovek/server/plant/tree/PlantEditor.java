package rovek.server.plant.tree;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Alteration;
import rovek.core.plant.Copying;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Moving;
import rovek.core.plant.Node;
import rovek.core.plant.Places;
import rovek.core.plant.PlantChange;
import rovek.core.plant.Shift;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.unit.OwnUnits;
import rovek.server.plant.tree.PlantLedger.Committed;
import rovek.server.plant.tree.PlantLedger.Proposal;

/** What a person does to the plant: adds, changes, moves, copies and removes rows; each can be undone. */
@Service
public class PlantEditor {

    private static final Set<String> TYPED = Set.of(Facet.TAG, Facet.NAME, Facet.CLASS);

    private final PlantLedger ledger;
    private final Plant plant;
    private final Techniques techniques;
    private final NodeRows rows;
    private final PlantKnowledge knowledge;
    private final OwnUnits units;

    PlantEditor(
            PlantLedger ledger,
            Plant plant,
            Techniques techniques,
            NodeRows rows,
            PlantKnowledge knowledge,
            OwnUnits units) {
        this.knowledge = knowledge;
        this.units = units;
        this.ledger = ledger;
        this.plant = plant;
        this.techniques = techniques;
        this.rows = rows;
    }

    /**
     * A node to add.
     *
     * @param id chosen by the caller, so that a repeated request adds nothing twice; null to have one chosen
     * @param parentId null for a client
     * @param level null for the usual one below the parent
     * @param afterId sibling it follows; null for the last place
     * @param technique for a check; null otherwise
     * @param preset name of a ready-made check; null for the technique's defaults
     */
    public record NewNode(
            @Nullable UUID id,
            @Nullable UUID parentId,
            @Nullable Level level,
            @Nullable String tag,
            @Nullable String name,
            @Nullable UUID afterId,
            @Nullable String technique,
            @Nullable String preset) {}

    /** What came of adding a node: the node as it is now, and the id by which it can be undone. */
    public record Changed(PlantNode node, @Nullable UUID changeId) {}

    /** Changes of nodes that stay, facet by facet, each with the value that was seen. */
    public record Altering(@Nullable UUID changeId, List<Alteration> nodes) {}

    /** Where a node stood when somebody looked; {@code parentId} null at the top. */
    public record Seen(UUID id, @Nullable UUID parentId) {}

    /**
     * Nodes to be moved or copied.
     *
     * @param afterId null for the first place
     * @param seen where those that are moved stood when it was decided; null where that does not matter
     */
    public record Placing(
            @Nullable UUID changeId,
            List<UUID> ids,
            @Nullable UUID parentId,
            @Nullable UUID afterId,
            @Nullable List<Seen> seen) {}

    /** Nodes to be removed. */
    public record Removing(@Nullable UUID changeId, List<UUID> ids) {}

    @Transactional
    public Changed add(NewNode wanted) {
        UUID id = wanted.id() == null ? UUID.randomUUID() : wanted.id();
        rows.lock();
        if (wanted.id() != null && rows.wasEverThere(id)) {
            return new Changed(require(plant.tree(), id), null);
        }
        Committed committed = ledger.commit(UUID.randomUUID(), tree -> adding(tree, id, wanted));
        return new Changed(require(plant.tree(), id), committed.changeId());
    }

    private static PlantNode require(PlantTree tree, UUID id) {
        return tree.find(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
    }

    private Proposal adding(PlantTree tree, UUID id, NewNode wanted) {
        UUID parent = parent(tree, wanted.parentId());
        Level level = Optional.ofNullable(wanted.level()).orElseGet(() -> usualChild(tree, parent));
        Places places = wanted.afterId() == null
                ? Places.last(tree.nodes(), parent, 1)
                : Places.after(tree.nodes(), parent, Optional.of(wanted.afterId()), 1, Set.of());
        String technique = level == Level.CHECK ? technique(wanted.technique()).id() : "";
        Map<String, String> own = level == Level.CHECK ? preset(technique, wanted.preset()) : Map.of();
        Node node = new Node(
                id,
                parent,
                level,
                places.places().get(0),
                text(wanted.tag()),
                text(wanted.name()),
                technique,
                "",
                Map.of(),
                own.isEmpty() ? Map.of() : Map.of(technique, own),
                Map.of(),
                Optional.empty());
        return new Proposal(
                Sentence.of("plant.added", "node", node.title()),
                new PlantChange(List.of(node), List.of(), places.spread()));
    }

    private static Level usualChild(PlantTree tree, UUID parent) {
        Level level = tree.nodes().find(parent).map(Node::level).orElse(null);
        if (level == null) {
            return Level.CLIENT;
        }
        if (level == Level.CHECK) {
            throw new DomainProblem.Conflict("no-child", Sentence.of("plant.checkHoldsNothing"));
        }
        return level.usualChild();
    }

    /** Changes names, nameplates, settings and limits. */
    @Transactional
    public Committed alter(Altering wanted) {
        for (Alteration alteration : wanted.nodes()) {
            alteration.facets().keySet().stream()
                    .filter(facet -> !TYPED.contains(facet) && !Facet.isValue(facet))
                    .findFirst()
                    .ifPresent(facet -> {
                        throw new DomainProblem.Invalid(facet, Sentence.of("plant.notTyped", "facet", facet));
                    });
        }
        KnownUnits known = units.known();
        List<Alteration> stripped =
                wanted.nodes().stream().map(typed -> kept(typed, known)).toList();
        return ledger.commit(
                idOf(wanted.changeId()),
                tree -> Proposal.typed(AlterationSentence.of(tree, stripped), PlantChange.altering(stripped)));
    }

    /** What is typed has no blanks around it, and a number the unit of its field. */
    private Alteration kept(Alteration typed, KnownUnits known) {
        Map<String, Shift> facets = new LinkedHashMap<>();
        typed.facets()
                .forEach((facet, shift) -> facets.put(
                        facet,
                        new Shift(shift.from(), knowledge.kept(facet, shift.to().strip(), known))));
        return new Alteration(typed.node(), facets);
    }

    @Transactional
    public Committed move(Placing wanted) {
        return ledger.commit(idOf(wanted.changeId()), tree -> {
            UUID parent = parent(tree, wanted.parentId());
            Map<UUID, UUID> seen = new HashMap<>();
            Optional.ofNullable(wanted.seen())
                    .orElse(List.of())
                    .forEach(one -> seen.put(one.id(), one.parentId() == null ? Node.PLANT : one.parentId()));
            requireStillThere(tree, seen, parent);
            PlantChange change = Moving.move(
                    tree.nodes(), found(tree, wanted.ids()), parent, Optional.ofNullable(wanted.afterId()), seen);
            Sentence moved = tree.nodes()
                    .find(parent)
                    .map(node ->
                            Sentence.of("plant.movedTo", "nodes", names(tree, wanted.ids()), "parent", node.title()))
                    .orElseGet(() -> Sentence.of("plant.moved", "nodes", names(tree, wanted.ids())));
            return new Proposal(moved, change);
        });
    }

    /** Who puts rows in another order among their neighbours wants nothing with a row that has gone elsewhere. */
    private static void requireStillThere(PlantTree tree, Map<UUID, UUID> seen, UUID parent) {
        seen.forEach((id, seenIn) -> {
            boolean hasGone = seenIn.equals(parent)
                    && tree.nodes()
                            .find(id)
                            .filter(node -> !node.parentId().equals(parent))
                            .isPresent();
            if (hasGone) {
                throw new DomainProblem.Conflict(
                        "moved-meanwhile",
                        Sentence.of(
                                "plant.movedMeanwhile",
                                "node",
                                tree.nodes().find(id).orElseThrow().title()));
            }
        });
    }

    /** Copies nodes with all below them; tags count on. */
    @Transactional
    public Committed copy(Placing wanted) {
        return ledger.commit(idOf(wanted.changeId()), tree -> {
            UUID parent = parent(tree, wanted.parentId());
            PlantChange change = new Copying(tree.nodes(), UUID::randomUUID)
                    .copy(found(tree, wanted.ids()), parent, Optional.ofNullable(wanted.afterId()));
            return new Proposal(Sentence.of("plant.copied", "nodes", names(tree, wanted.ids())), change);
        });
    }

    @Transactional
    public Committed remove(Removing wanted) {
        return ledger.commit(idOf(wanted.changeId()), tree -> {
            PlantChange change = Moving.remove(tree.nodes(), found(tree, wanted.ids()));
            int outermost = tree.nodes().outermost(wanted.ids()).size();
            int below = change.removed().size() - outermost;
            return new Proposal(
                    Sentence.of("plant.removed", "nodes", names(tree, wanted.ids()), "more", below), change);
        });
    }

    private static UUID idOf(@Nullable UUID wanted) {
        return wanted == null ? UUID.randomUUID() : wanted;
    }

    private static UUID parent(PlantTree tree, @Nullable UUID id) {
        if (id == null) {
            return Node.PLANT;
        }
        return require(tree, id).id();
    }

    private static List<UUID> found(PlantTree tree, List<UUID> ids) {
        List<UUID> found = new ArrayList<>();
        ids.forEach(id -> found.add(require(tree, id).id()));
        return found;
    }

    private static Sentence names(PlantTree tree, List<UUID> ids) {
        List<Node> nodes = tree.nodes().outermost(ids);
        return nodes.isEmpty()
                ? Sentence.of("plant.nothing")
                : Sentence.of("plant.andMore", "first", nodes.get(0).title(), "more", nodes.size() - 1);
    }

    private Technique technique(@Nullable String id) {
        if (id == null || id.isBlank()) {
            return techniques.list().iterator().next();
        }
        return techniques
                .find(id)
                .orElseThrow(() ->
                        new DomainProblem.Invalid("technique", Sentence.of("base.unknownTechnique", "technique", id)));
    }

    private Map<String, String> preset(String techniqueId, @Nullable String name) {
        if (name == null || name.isBlank()) {
            return Map.of();
        }
        return technique(techniqueId).presets().stream()
                .filter(candidate -> candidate.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid("preset", Sentence.of("plant.noPreset", "name", name)))
                .settings();
    }

    private static String text(@Nullable String given) {
        return given == null ? "" : given.strip();
    }

    /** Says at once what a caller inside the server wants of one node, whatever it was before. */
    @Transactional
    public Committed set(UUID id, Map<String, String> facets) {
        Node node =
                plant.tree().nodes().find(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        return alter(new Altering(null, List.of(Alteration.between(node, node.saying(facets)))));
    }
}
