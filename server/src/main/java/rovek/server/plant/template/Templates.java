package rovek.server.plant.template;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.Places;
import rovek.core.plant.PlantChange;
import rovek.core.plant.Shift;
import rovek.core.plant.Stamp;
import rovek.core.plant.template.Following;
import rovek.core.plant.template.TagPattern;
import rovek.core.plant.template.Template;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantLedger;
import rovek.server.plant.tree.PlantTree;

/** Assets kept to stamp out more, and the stamped ones that follow them. */
@Service
public class Templates {

    private static final int LONGEST_NAME = 100;

    private final TemplateRows rows;
    private final Plant plant;
    private final PlantLedger ledger;
    private final AuditTrail audit;
    private final Clock clock;

    Templates(TemplateRows rows, Plant plant, PlantLedger ledger, AuditTrail audit, Clock clock) {
        this.rows = rows;
        this.plant = plant;
        this.ledger = ledger;
        this.audit = audit;
        this.clock = clock;
    }

    /** A row of a template, to be looked at: how deep it stands, and how it is called. */
    public record PartLine(int depth, Level level, String label) {}

    /**
     * A template.
     *
     * @param checks how many one stamped asset has
     * @param stamped how many assets came of it
     * @param behind how many of those came of an earlier revision
     */
    public record TemplateLine(
            UUID id,
            String name,
            int revision,
            Level level,
            int rows,
            int checks,
            int stamped,
            int behind,
            List<PartLine> parts) {}

    /**
     * An asset to keep as a template.
     *
     * @param templateId whose next revision it becomes; null for a new template
     * @param name of a new template
     */
    public record Keeping(
            UUID nodeId,
            @Nullable UUID templateId,
            @Nullable String name) {}

    /**
     * Assets to stamp out.
     *
     * @param tags as one line, e.g. "P-201..P-240"
     * @param name what they are called; blank for the template's own name
     * @param afterId sibling they follow; null for the last place
     */
    public record Stamping(
            @Nullable UUID changeId,
            UUID parentId,
            @Nullable UUID afterId,
            String tags,
            String name) {}

    /**
     * A stamped asset that is behind its template.
     *
     * @param changes how many rows would come, go or change
     * @param kept how many things stay because somebody changed them on the asset
     */
    public record Follower(UUID nodeId, String tag, String name, int revision, int changes, int kept) {}

    @Transactional(readOnly = true)
    public List<TemplateLine> list() {
        Map<UUID, List<Stamp>> stamps = new HashMap<>();
        plant.tree()
                .nodes()
                .walk(
                        Node.PLANT,
                        node -> node.stamp()
                                .filter(Stamp::isRoot)
                                .ifPresent(stamp -> stamps.computeIfAbsent(stamp.template(), none -> new ArrayList<>())
                                        .add(stamp)));
        return rows.latest().stream()
                .map(template -> {
                    List<Stamp> of = stamps.getOrDefault(template.id(), List.of());
                    int behind = (int) of.stream()
                            .filter(stamp -> stamp.revision() < template.revision())
                            .count();
                    return new TemplateLine(
                            template.id(),
                            template.name(),
                            template.revision(),
                            template.level(),
                            template.parts().size(),
                            template.checks(),
                            of.size(),
                            behind,
                            parts(template));
                })
                .toList();
    }

    private static List<PartLine> parts(Template template) {
        Map<String, Integer> depths = new HashMap<>();
        List<PartLine> lines = new ArrayList<>();
        template.parts().forEach(part -> {
            int depth = part.parentKey().isBlank() ? 0 : depths.get(part.parentKey()) + 1;
            depths.put(part.key(), depth);
            Level level = Level.valueOf(part.facets().get(Facet.LEVEL));
            if (level != Level.CHECK) {
                lines.add(new PartLine(
                        depth,
                        level,
                        part.facets().getOrDefault(Facet.NAME, part.facets().getOrDefault(Facet.TAG, ""))));
            }
        });
        return lines;
    }

    @Transactional(readOnly = true)
    public List<Template> latest() {
        return rows.latest();
    }

    @Transactional
    public TemplateLine keep(Keeping wanted) {
        PlantTree tree = plant.tree();
        Node node = tree.nodes()
                .find(wanted.nodeId())
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        if (node.level() == Level.CLIENT || node.level() == Level.CHECK) {
            throw new DomainProblem.Invalid("nodeId", Sentence.of("plant.templateOf"));
        }
        Template template = wanted.templateId() == null
                ? fresh(wanted, tree.nodes())
                : next(wanted.templateId(), node, tree.nodes());
        rows.save(template, false, clock.instant(), AuditTrail.actor());
        audit.note(
                wanted.templateId() == null ? "add" : "change",
                "template",
                template.id(),
                null,
                Map.of("name", template.name(), "revision", template.revision()));
        // The example belongs to what it became the template of.
        ledger.commit(
                UUID.randomUUID(),
                now -> new PlantLedger.Proposal(
                        Sentence.of(
                                "plant.savedAsTemplate",
                                "node",
                                node.label(),
                                "template",
                                template.name(),
                                "revision",
                                template.revision()),
                        stamped(now.nodes(), wanted.nodeId(), template)));
        return list().stream()
                .filter(line -> line.id().equals(template.id()))
                .findFirst()
                .orElseThrow();
    }

    private Template fresh(Keeping wanted, NodeTree nodes) {
        String name = wanted.name() == null ? "" : wanted.name().strip();
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid("name", Sentence.of("plant.templateName", "most", LONGEST_NAME));
        }
        if (rows.isNameTaken(name)) {
            throw new DomainProblem.Conflict("name-taken", Sentence.of("plant.templateTaken", "name", name));
        }
        return Template.of(UUID.randomUUID(), name, 1, nodes, wanted.nodeId());
    }

    private Template next(UUID id, Node node, NodeTree nodes) {
        int revision = rows.lockLatest(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.template")));
        Template former = rows.find(id, revision).orElseThrow();
        if (former.level() != node.level()) {
            throw new DomainProblem.Conflict("other-level", Sentence.of("plant.templateLevel", "node", node.label()));
        }
        return Template.of(id, former.name(), revision + 1, nodes, node.id());
    }

    private static PlantChange stamped(NodeTree nodes, UUID root, Template template) {
        List<Alteration> altered = new ArrayList<>();
        List<Node> below = nodes.subtree(root);
        for (int i = 0; i < below.size(); i++) {
            String stamp = new Stamp(
                            template.id(),
                            template.revision(),
                            template.parts().get(i).key())
                    .toString();
            String now = below.get(i).stamp().map(Stamp::toString).orElse("");
            if (!now.equals(stamp)) {
                altered.add(new Alteration(below.get(i).id(), Map.of(Facet.STAMP, new Shift(now, stamp))));
            }
        }
        return PlantChange.altering(altered);
    }

    /** Stamps out one asset for each tag. */
    @Transactional
    public PlantLedger.Committed stamp(UUID id, Stamping wanted) {
        Template template = latest(id);
        List<String> tags = tags(wanted.tags());
        return ledger.commit(wanted.changeId() == null ? UUID.randomUUID() : wanted.changeId(), tree -> {
            requireFree(tree, wanted.parentId(), tags);
            Places places = wanted.afterId() == null
                    ? Places.last(tree.nodes(), wanted.parentId(), tags.size())
                    : Places.after(
                            tree.nodes(), wanted.parentId(), Optional.of(wanted.afterId()), tags.size(), Set.of());
            List<Node> added = new ArrayList<>();
            for (int i = 0; i < tags.size(); i++) {
                added.addAll(template.stamp(
                        tags.get(i),
                        wanted.name().strip(),
                        wanted.parentId(),
                        places.places().get(i),
                        UUID::randomUUID));
            }
            Sentence many = Sentence.of("plant.andMore", "first", tags.get(0), "more", tags.size() - 1);
            return new PlantLedger.Proposal(
                    Sentence.of("plant.madeFromTemplate", "nodes", many, "template", template.name()),
                    new PlantChange(added, List.of(), places.spread()));
        });
    }

    private static List<String> tags(String pattern) {
        try {
            List<String> tags = TagPattern.expand(pattern);
            if (tags.isEmpty()) {
                throw new DomainProblem.Invalid("tags", Sentence.of("plant.typeTags"));
            }
            return tags;
        } catch (Refused wrong) {
            throw new DomainProblem.Invalid("tags", wrong.sentence());
        }
    }

    private static void requireFree(PlantTree tree, UUID parent, List<String> tags) {
        List<Node> path = tree.nodes().path(parent);
        if (path.isEmpty()) {
            throw new DomainProblem.NotFound(Sentence.of("thing.node"));
        }
        Set<String> wanted = new HashSet<>(tags);
        if (wanted.size() < tags.size()) {
            throw new DomainProblem.Invalid("tags", Sentence.of("plant.tagTwice"));
        }
        tree.nodes().walk(path.get(0).id(), node -> {
            if (wanted.contains(node.tag())) {
                throw new DomainProblem.Conflict(
                        "tag-taken",
                        Sentence.of(
                                "plant.tagTaken",
                                "tag",
                                node.tag(),
                                "place",
                                String.join(
                                        ", ",
                                        tree.nodes().path(node.id()).stream()
                                                .map(Node::label)
                                                .toList())));
            }
        });
    }

    /** The stamped assets that are behind, and what following would do to each. */
    @Transactional(readOnly = true)
    public List<Follower> followers(UUID id) {
        NodeTree nodes = plant.tree().nodes();
        Template later = latest(id);
        List<Follower> followers = new ArrayList<>();
        nodes.walk(Node.PLANT, node -> {
            if (isBehind(node, later)) {
                Following following = following(nodes, node, later);
                int changes = following.change().added().size()
                        + following.change().removed().size()
                        + (int) following.change().altered().stream()
                                .filter(alteration -> alteration.facets().size() > 1
                                        || !alteration.facets().containsKey(Facet.STAMP))
                                .count();
                followers.add(new Follower(
                        node.id(),
                        node.tag(),
                        node.name(),
                        node.stamp().orElseThrow().revision(),
                        changes,
                        following.kept()));
            }
        });
        return followers;
    }

    private Template latest(UUID id) {
        return rows.latest().stream()
                .filter(template -> template.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.template")));
    }

    private static boolean isBehind(Node node, Template template) {
        return node.stamp()
                .filter(stamp -> stamp.isRoot()
                        && stamp.template().equals(template.id())
                        && stamp.revision() < template.revision())
                .isPresent();
    }

    private Following following(NodeTree nodes, Node node, Template later) {
        Template former =
                rows.find(later.id(), node.stamp().orElseThrow().revision()).orElse(later);
        return Following.of(nodes, node.id(), former, later, UUID::randomUUID);
    }

    /** Brings the chosen assets up to the newest revision, all in one change. */
    @Transactional
    public PlantLedger.Committed follow(UUID id, List<UUID> assets) {
        Template later = latest(id);
        return ledger.commit(UUID.randomUUID(), tree -> {
            PlantChange change = PlantChange.NOTHING;
            int count = 0;
            for (UUID asset : assets) {
                Optional<Node> node = tree.nodes().find(asset).filter(found -> isBehind(found, later));
                if (node.isPresent()) {
                    change = change.and(
                            following(tree.nodes(), node.get(), later).change());
                    count++;
                }
            }
            return new PlantLedger.Proposal(
                    Sentence.of(
                            "plant.updatedToTemplate",
                            "assets",
                            count,
                            "template",
                            later.name(),
                            "revision",
                            later.revision()),
                    change);
        });
    }
}
