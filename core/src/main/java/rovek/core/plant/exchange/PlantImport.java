package rovek.core.plant.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Supplier;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.plant.exchange.PlannedRow.State;
import rovek.core.plant.template.Template;
import rovek.core.wording.Sentence;

/**
 * Reads a table of rows into the plant. A row that is there already, by its id or by its label where it stands, is
 * changed; any other is added. Every row is looked at, so that all that is wrong is told at once.
 */
public final class PlantImport {

    private final NodeTree tree;
    private final UUID base;
    private final ImportKnowledge knowledge;
    private final Supplier<UUID> ids;
    private final Set<String> columns;
    private final Growth growth;
    private final List<Alteration> altered = new ArrayList<>();
    private final List<PlannedRow> planned = new ArrayList<>();
    private final Set<UUID> seen = new HashSet<>();
    /** The last row at each depth of an indented list. */
    private final List<UUID> open = new ArrayList<>();

    private PlantImport(NodeTree tree, UUID base, PlantTable table, ImportKnowledge knowledge, Supplier<UUID> ids) {
        this.tree = tree;
        this.base = base;
        this.knowledge = knowledge;
        this.ids = ids;
        this.columns = new HashSet<>(table.columns());
        this.growth = new Growth(tree);
    }

    /**
     * @param base where the outermost rows come; {@link Node#PLANT} for the plant itself
     * @param ids where ids of new rows come from, where the table gives none
     */
    public static ImportPlan plan(
            NodeTree tree, UUID base, PlantTable table, ImportKnowledge knowledge, Supplier<UUID> ids) {
        PlantImport work = new PlantImport(tree, base, table, knowledge, ids);
        table.rows().forEach(work::take);
        ImportPlan plan = new ImportPlan(work.planned, new PlantChange(work.growth.added(), List.of(), work.altered));
        return plan.isSound() ? plan : new ImportPlan(plan.rows(), PlantChange.NOTHING);
    }

    private void take(TableRow row) {
        RowReading reading = new RowReading(row, knowledge);
        Optional<UUID> parent = parent(row, reading);
        Optional<Level> level = parent.flatMap(id ->
                reading.level(growth.level(id), reading.id().flatMap(tree::find).map(Node::level)));
        if (parent.isEmpty() || level.isEmpty()) {
            remember(row, Optional.empty());
            reject(row, reading, level);
            return;
        }
        reading.requireFits(level.get(), growth.level(parent.get()));
        Optional<Node> existing = existing(reading, parent.get(), level.get());
        if (existing.isEmpty() && reading.id().isEmpty()) {
            growth.sameTag(reading.tag(level.get()), parent.get())
                    .ifPresent(other -> reading.fault(Sentence.of(
                            "plant.tagTaken", "tag", reading.tag(level.get()), "place", growth.placeOf(other))));
        }
        UUID id = existing.map(Node::id).or(reading::id).orElseGet(ids);
        if (!seen.add(id) || (existing.isEmpty() && isListedBefore(reading, parent.get(), level.get()))) {
            reading.fault(Sentence.of("plant.rowTwice"));
        }
        if (!reading.isSound()) {
            // What stands in a wrong row is looked at all the same.
            growth.pretend(id, level.get());
            remember(row, Optional.of(id));
            reject(row, reading, level);
            return;
        }
        if (existing.isPresent()) {
            change(row, reading, existing.get(), parent.get(), level.get());
        } else {
            add(row, reading, id, parent.get(), level.get());
        }
        remember(row, Optional.of(id));
    }

    private boolean isListedBefore(RowReading reading, UUID parent, Level level) {
        return reading.id().isEmpty()
                && growth.childLabelled(parent, level, reading.tag(level), reading.name(level))
                        .filter(id -> tree.find(id).isEmpty())
                        .isPresent();
    }

    private void remember(TableRow row, Optional<UUID> id) {
        while (open.size() > row.indent()) {
            open.remove(open.size() - 1);
        }
        while (open.size() <= row.indent()) {
            open.add(id.orElse(null));
        }
    }

    private void reject(TableRow row, RowReading reading, Optional<Level> level) {
        planned.add(
                new PlannedRow(row.number(), row.indent(), reading.label(), level, State.WRONG, reading.faults(), 0));
    }

    private Optional<UUID> parent(TableRow row, RowReading reading) {
        if (!row.cell(Column.PARENT).isEmpty()) {
            Optional<UUID> given = reading.uuid(Column.PARENT).filter(growth::isThere);
            if (given.isPresent()) {
                return given;
            }
        }
        if (!row.cell(Column.PATH).isEmpty()) {
            return alongPath(row.cell(Column.PATH), reading);
        }
        if (!row.cell(Column.PARENT).isEmpty()) {
            reading.fault(Sentence.of("plant.parentUnknown"));
            return Optional.empty();
        }
        boolean saysNothingOfPlaces = !columns.contains(Column.PARENT) && !columns.contains(Column.PATH);
        Optional<Node> there = reading.id().flatMap(tree::find);
        if (saysNothingOfPlaces && there.isPresent()) {
            return there.map(Node::parentId);
        }
        if (row.indent() == 0) {
            return Optional.of(base);
        }
        Optional<UUID> above =
                row.indent() <= open.size() ? Optional.ofNullable(open.get(row.indent() - 1)) : Optional.empty();
        if (above.isEmpty()) {
            reading.fault(
                    row.indent() > open.size() ? Sentence.of("plant.tooDeep") : Sentence.of("plant.parentRowWrong"));
        }
        return above;
    }

    private Optional<UUID> alongPath(String path, RowReading reading) {
        UUID at = base;
        for (String label : path.split(Column.PATH_MARK.strip(), -1)) {
            Optional<UUID> next = growth.childCalled(at, label.strip());
            if (next.isEmpty()) {
                reading.fault(
                        at.equals(Node.PLANT)
                                ? Sentence.of("plant.notInPlant", "label", label.strip())
                                : Sentence.of("plant.notInPlace", "label", label.strip(), "place", growth.placeOf(at)));
                return Optional.empty();
            }
            at = next.get();
        }
        return Optional.of(at);
    }

    private Optional<Node> existing(RowReading reading, UUID parent, Level level) {
        Optional<UUID> id = reading.id();
        if (id.isPresent()) {
            return tree.find(id.get());
        }
        if (level == Level.CHECK && reading.name(level).isEmpty()) {
            return growth.checkLike(parent, reading.facets(level, columns)).flatMap(tree::find);
        }
        return growth.childLabelled(parent, level, reading.tag(level), reading.name(level))
                .flatMap(tree::find);
    }

    private void change(TableRow row, RowReading reading, Node node, UUID parent, Level level) {
        Map<String, String> wanted = new LinkedHashMap<>();
        Map<String, String> given = reading.facets(level, columns);
        reading.facetColumns(columns).forEach(column -> wanted.put(column, given.getOrDefault(column, "")));
        wanted.put(Facet.LEVEL, level.name());
        if (!node.parentId().equals(parent)) {
            wanted.put(Facet.PARENT, parent.toString());
            wanted.put(Facet.PLACE, String.valueOf(growth.nextPlace(parent)));
        }
        Alteration alteration = Alteration.between(node, node.saying(wanted));
        Map<String, Sentence> notes = new TreeMap<>();
        alteration.facets().forEach((facet, shift) -> {
            if (!facet.equals(Facet.PLACE)) {
                notes.put(
                        facet,
                        Sentence.of(
                                "plant.facetChange",
                                "facet",
                                facet,
                                "from",
                                text(facet, shift.from()),
                                "to",
                                text(facet, shift.to())));
            }
        });
        growth.keep(node.id(), parent, level);
        if (!alteration.facets().isEmpty()) {
            altered.add(alteration);
        }
        planned.add(new PlannedRow(
                row.number(),
                row.indent(),
                node.label(),
                Optional.of(level),
                notes.isEmpty() ? State.SAME : State.CHANGED,
                List.copyOf(notes.values()),
                1));
    }

    private Sentence text(String facet, String value) {
        if (value.isEmpty()) {
            return Sentence.of("plant.nothing");
        }
        return facet.equals(Facet.PARENT) ? growth.placeOf(UUID.fromString(value)) : Sentence.plain(value);
    }

    private void add(TableRow row, RowReading reading, UUID id, UUID parent, Level level) {
        Optional<Template> template = reading.template();
        List<Node> nodes = new ArrayList<>();
        if (template.isPresent()) {
            boolean[] isFirst = {true};
            nodes.addAll(template.get()
                    .stamp(reading.tag(level), reading.name(level), parent, growth.nextPlace(parent), () -> {
                        UUID next = isFirst[0] ? id : ids.get();
                        isFirst[0] = false;
                        return next;
                    }));
        } else {
            Map<String, String> facets = new HashMap<>(reading.facets(level, columns));
            facets.put(Facet.PARENT, parent.toString());
            facets.put(Facet.LEVEL, level.name());
            facets.put(Facet.PLACE, String.valueOf(growth.nextPlace(parent)));
            nodes.add(Node.of(id, facets));
        }
        nodes.forEach(growth::add);
        if (level == Level.POINT) {
            for (ImportKnowledge.ReadyMade check : reading.checks()) {
                Node node = new Node(
                        ids.get(),
                        id,
                        Level.CHECK,
                        growth.nextPlace(id),
                        "",
                        "",
                        check.technique(),
                        "",
                        Map.of(),
                        check.settings().isEmpty() ? Map.of() : Map.of(check.technique(), check.settings()),
                        Map.of(),
                        Optional.empty());
                growth.add(node);
                nodes.add(node);
            }
        }
        planned.add(new PlannedRow(
                row.number(),
                row.indent(),
                nodes.get(0).label(),
                Optional.of(level),
                State.NEW,
                reading.remarks(nodes.size()),
                nodes.size()));
    }
}
