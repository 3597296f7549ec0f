package rovek.server.plant.event;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Baselines;
import rovek.core.plant.Node;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.Parts;
import rovek.server.people.account.Accounts;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;

/**
 * What happened to things in the plant: repairs, new sensors, new baselines, notes. An event is of all below its node.
 */
@Service
public class PlantEvents {

    private static final int LONGEST_WORDS = 500;

    private static final Comparator<PlantEventEntity> IN_ORDER =
            Comparator.comparing((PlantEventEntity event) -> event.at).thenComparing(event -> event.notedAt);

    private final PlantEventRepository events;
    private final ChangedChecks changedChecks;
    private final Plant plant;
    private final Accounts accounts;
    private final AuditTrail audit;
    private final Clock clock;

    PlantEvents(
            PlantEventRepository events,
            ChangedChecks changedChecks,
            Plant plant,
            Accounts accounts,
            AuditTrail audit,
            Clock clock) {
        this.events = events;
        this.changedChecks = changedChecks;
        this.plant = plant;
        this.accounts = accounts;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * An event to note, or to note otherwise.
     *
     * @param at ISO 8601
     * @param startsBaseline null for what is usual: a repair and a baseline do, the others do not
     * @param baselineUntil null where the first readings make the baseline
     */
    public record EventDraft(
            String at,
            EventKind kind,
            @Nullable String words,
            @Nullable Boolean startsBaseline,
            @Nullable String baselineUntil) {}

    private record Row(
            UUID id,
            UUID node,
            Instant at,
            EventKind kind,
            String words,
            boolean startsBaseline,
            @Nullable Instant until,
            String by) {

        private static Row of(PlantEventEntity kept) {
            return new Row(
                    kept.id,
                    kept.nodeId,
                    kept.at,
                    kept.kind,
                    kept.words,
                    kept.startsBaseline,
                    kept.baselineUntil,
                    kept.notedBy);
        }
    }

    /** What happened to a node, to what it stands in and to what is below it, oldest first. */
    @Transactional(readOnly = true)
    public List<PlantEvent> concerning(UUID nodeId) {
        PlantTree tree = plant.tree();
        require(tree, nodeId);
        List<UUID> nodes =
                new ArrayList<>(tree.nodes().path(nodeId).stream().map(Node::id).toList());
        tree.nodes().walk(nodeId, node -> nodes.add(node.id()));
        return views(tree, rows(nodes));
    }

    /** What happened to a check: to itself and to what it stands in, oldest first. */
    @Transactional(readOnly = true)
    public List<PlantEvent> ofCheck(PlantTree tree, UUID checkId) {
        return views(
                tree, rows(tree.nodes().path(checkId).stream().map(Node::id).toList()));
    }

    /** As {@link #ofCheck}, of several checks at once. */
    @Transactional(readOnly = true)
    public Map<UUID, List<PlantEvent>> ofChecks(PlantTree tree, Collection<UUID> checks) {
        Map<UUID, List<UUID>> paths = new HashMap<>();
        checks.forEach(check ->
                paths.put(check, tree.nodes().path(check).stream().map(Node::id).toList()));
        List<PlantEvent> all = views(
                tree,
                rows(paths.values().stream().flatMap(List::stream).distinct().toList()));
        Map<UUID, List<PlantEvent>> byCheck = new HashMap<>();
        paths.forEach((check, path) -> byCheck.put(
                check,
                all.stream().filter(event -> path.contains(event.nodeId())).toList()));
        return byCheck;
    }

    private List<PlantEvent> views(PlantTree tree, List<Row> rows) {
        UnaryOperator<String> names = rows.isEmpty() ? UnaryOperator.identity() : accounts.displayNames();
        return rows.stream().map(row -> view(tree, row, names)).toList();
    }

    private static PlantEvent view(PlantTree tree, Row row, UnaryOperator<String> names) {
        return new PlantEvent(
                row.id(),
                row.node(),
                tree.find(row.node()).map(PlantNode::label).orElse(""),
                row.at().toString(),
                row.kind(),
                row.words(),
                row.startsBaseline(),
                row.until() == null ? null : row.until().toString(),
                names.apply(row.by()));
    }

    /** The baselines of checks, by check. */
    @Transactional(readOnly = true)
    public Map<UUID, Baselines> baselines(PlantTree tree, Collection<UUID> checks) {
        Map<UUID, List<UUID>> paths = new HashMap<>();
        checks.forEach(check ->
                paths.put(check, tree.nodes().path(check).stream().map(Node::id).toList()));
        Map<UUID, List<Row>> byNode = new HashMap<>();
        rows(paths.values().stream().flatMap(List::stream).distinct().toList()).stream()
                .filter(Row::startsBaseline)
                .forEach(row -> byNode.computeIfAbsent(row.node(), none -> new ArrayList<>())
                        .add(row));
        Map<UUID, Baselines> baselines = new HashMap<>();
        paths.forEach((check, path) -> baselines.put(
                check,
                new Baselines(path.stream()
                        .flatMap(node -> byNode.getOrDefault(node, List.of()).stream())
                        .map(row -> new Baselines.Start(row.at(), Optional.ofNullable(row.until())))
                        .toList())));
        return baselines;
    }

    private List<Row> rows(Collection<UUID> nodes) {
        if (nodes.isEmpty()) {
            return List.of();
        }
        // Below a client there may be more nodes than a statement can name.
        return Parts.asked(nodes, events::of).stream()
                .sorted(IN_ORDER)
                .map(Row::of)
                .toList();
    }

    /**
     * @param id chosen by the caller, so that a repeated request notes nothing twice; one that is known is noted
     *     otherwise
     */
    @Transactional
    public PlantEvent put(UUID nodeId, UUID id, EventDraft draft) {
        PlantTree tree = plant.tree();
        require(tree, nodeId);
        Instant at = time("at", draft.at());
        Instant until = draft.baselineUntil() == null ? null : time("baselineUntil", draft.baselineUntil());
        boolean usually = draft.kind() == EventKind.REPAIR || draft.kind() == EventKind.BASELINE;
        boolean starts = draft.startsBaseline() == null ? usually : draft.startsBaseline();
        String words = draft.words() == null ? "" : draft.words().strip();
        requireSound(draft, at, until, words);
        Optional<Row> before = find(id);
        if (before.filter(known -> !known.node().equals(nodeId)).isPresent()) {
            throw new DomainProblem.Conflict("other-node", Sentence.of("plant.eventElsewhere"));
        }
        PlantEventEntity event = events.findById(id).orElseGet(PlantEventEntity::new);
        if (before.isEmpty()) {
            event.id = id;
            event.nodeId = nodeId;
            event.notedBy = AuditTrail.actor();
            event.notedAt = clock.instant();
        }
        event.at = at;
        event.kind = draft.kind();
        event.words = words;
        event.startsBaseline = starts;
        event.baselineUntil = until;
        event.removed = false;
        Row after = Row.of(events.saveAndFlush(event));
        audit.note(before.isEmpty() ? "note event" : "change event", "event", id, before.orElse(null), after);
        touch(tree, nodeId);
        return view(tree, after, accounts.displayNames());
    }

    private void requireSound(EventDraft draft, Instant at, @Nullable Instant until, String words) {
        if (at.isAfter(clock.instant())) {
            throw new DomainProblem.Invalid("at", Sentence.of("plant.eventAhead"));
        }
        if (until != null && !until.isAfter(at)) {
            throw new DomainProblem.Invalid("baselineUntil", Sentence.of("plant.baselineEnds"));
        }
        if (words.length() > LONGEST_WORDS) {
            throw new DomainProblem.Invalid("words", Sentence.of("plant.eventTooLong", "most", LONGEST_WORDS));
        }
        if (words.isEmpty() && draft.kind() == EventKind.NOTE) {
            throw new DomainProblem.Invalid("words", Sentence.of("plant.emptyNote"));
        }
    }

    /** Takes an event off; it stays in the audit trail, and noting it again brings it back. */
    @Transactional
    public void remove(UUID id) {
        PlantEventEntity event =
                events.findById(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.event")));
        Row row = Row.of(event);
        event.removed = true;
        events.saveAndFlush(event);
        audit.note("remove event", "event", id, row, null);
        touch(plant.tree(), row.node());
    }

    private Optional<Row> find(UUID id) {
        return events.findById(id).map(Row::of);
    }

    /** Everything below may stand otherwise now. */
    private void touch(PlantTree tree, UUID nodeId) {
        changedChecks.note(tree.checksBelow(nodeId).stream().map(PlantNode::id).toList());
    }

    private static Instant time(String field, String text) {
        try {
            return Instant.parse(text);
        } catch (DateTimeParseException notOne) {
            throw new DomainProblem.Invalid(field, Sentence.of("base.noTime", "text", text));
        }
    }

    private static void require(PlantTree tree, UUID nodeId) {
        tree.find(nodeId).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
    }
}
