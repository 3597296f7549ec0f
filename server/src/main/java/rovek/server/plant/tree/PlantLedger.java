package rovek.server.plant.tree;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rovek.core.limit.LimitTimeline;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.plant.PlantConflictException;
import rovek.core.plant.PlantRefusedException;
import rovek.core.plant.Shift;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.ManyRows;
import rovek.server.base.wording.StoredSentence;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every change of the plant goes through here: one after the other, whole or not at all, kept so that it can be taken
 * back.
 */
@Service
public class PlantLedger {

    private static final Logger LOG = LoggerFactory.getLogger(PlantLedger.class);
    private static final int MOST_CHANGES_SHOWN = 100;

    private final NodeRows rows;
    private final Plant plant;
    private final PlantRules rules;
    private final PlantChangeRepository changes;
    private final PlantAudit audit;
    private final ManyRows many;
    private final JsonMapper json;
    private final Clock clock;

    PlantLedger(
            NodeRows rows,
            Plant plant,
            PlantRules rules,
            PlantChangeRepository changes,
            PlantAudit audit,
            ManyRows many,
            JsonMapper json,
            Clock clock) {
        this.rows = rows;
        this.plant = plant;
        this.rules = rules;
        this.changes = changes;
        this.audit = audit;
        this.many = many;
        this.json = json;
        this.clock = clock;
    }

    /**
     * A change and how it reads in the history.
     *
     * @param isTyped whether limits in it are as a person types them: they hold from now on, and those before stay said
     */
    public record Proposal(Sentence sentence, PlantChange change, boolean isTyped) {

        public Proposal(Sentence sentence, PlantChange change) {
            this(sentence, change, false);
        }

        public static Proposal typed(Sentence sentence, PlantChange change) {
            return new Proposal(sentence, change, true);
        }

        Proposal dated(Instant now) {
            List<Alteration> altered = change.altered().stream()
                    .map(alteration -> dated(alteration, now))
                    .toList();
            return isTyped ? new Proposal(sentence, new PlantChange(change.added(), change.removed(), altered)) : this;
        }

        private static Alteration dated(Alteration alteration, Instant now) {
            Map<String, Shift> facets = new LinkedHashMap<>();
            alteration
                    .facets()
                    .forEach((facet, shift) -> facets.put(
                            facet,
                            facet.startsWith(Facet.LIMIT)
                                    ? new Shift(shift.from(), LimitTimeline.continued(shift.from(), shift.to(), now))
                                    : shift));
            return new Alteration(alteration.node(), facets);
        }
    }

    /**
     * What came of a change.
     *
     * @param changeId by which it is taken back; null where nothing had to change
     * @param added outermost nodes that came
     */
    public record Committed(@Nullable UUID changeId, Sentence sentence, List<UUID> added) {}

    /** A change in the history; one that is kept whole can be taken back, and done again. */
    public record HistoryLine(UUID id, String at, String actor, Sentence sentence, boolean undone, boolean isKept) {}

    /**
     * Makes a change.
     *
     * @param changeId chosen by the caller, so that a request that is repeated does nothing more
     * @param make the change, given the plant as it stands now
     * @throws DomainProblem.Contradiction where somebody else changed the same thing first
     * @throws DomainProblem.Conflict where the outcome would be no plant
     */
    @Transactional
    public Committed commit(UUID changeId, Function<PlantTree, Proposal> make) {
        return commit(changeId, make, NOBODY);
    }

    /** Told how far a large change is. What it throws ends the change, of which nothing stays. */
    @FunctionalInterface
    public interface Watch {
        void written(int rows, int of);
    }

    private static final Watch NOBODY = (rows, of) -> {
        // small changes are there at once
    };

    /** As {@link #commit(UUID, Function)}, watched. */
    @Transactional
    public Committed commit(UUID changeId, Function<PlantTree, Proposal> make, Watch watch) {
        rows.lock();
        Optional<PlantChangeEntity> already = changes.findById(changeId);
        if (already.isPresent()) {
            return new Committed(changeId, StoredSentence.read(already.get().sentence), List.of());
        }
        PlantTree before = plant.tree();
        Proposal proposal = make.apply(before).dated(clock.instant());
        if (proposal.change().isEmpty()) {
            return new Committed(null, proposal.sentence(), List.of());
        }
        NodeTree after = applied(before, proposal.change());
        rules.require(before, after, proposal.change());
        PlantChangeEntity entry = new PlantChangeEntity();
        entry.id = changeId;
        entry.at = clock.instant();
        entry.actor = AuditTrail.actor();
        entry.sentence = StoredSentence.write(proposal.sentence());
        entry.change = json.writeValueAsString(StoredChange.of(proposal.change()));
        changes.save(entry);
        changes.flush();
        rows.write(changeId, proposal.change(), after, watch);
        refreshOnceCommitted();
        noteTouched(changeId, before.nodes(), proposal.change());
        audit.note(changeId, proposal.sentence(), before.nodes(), proposal.change());
        return new Committed(changeId, proposal.sentence(), outermost(proposal.change()));
    }

    private static List<UUID> outermost(PlantChange change) {
        Set<UUID> added = new HashSet<>();
        change.added().forEach(node -> added.add(node.id()));
        return change.added().stream()
                .filter(node -> !added.contains(node.parentId()))
                .map(Node::id)
                .toList();
    }

    private NodeTree applied(PlantTree before, PlantChange change) {
        try {
            return before.nodes().apply(change);
        } catch (PlantRefusedException refused) {
            throw PlantProblems.of(refused);
        } catch (PlantConflictException conflict) {
            throw new DomainProblem.Contradiction(conflict.clashes().stream()
                    .map(clash -> told(clash, before))
                    .toList());
        }
    }

    private DomainProblem.Clash told(PlantConflictException.Clash clash, PlantTree tree) {
        Optional<PlantChangeEntity> theirs = changes.ofNode(clash.node(), Limit.of(MOST_CHANGES_SHOWN)).stream()
                .filter(change -> change.change != null && change.undoneAt == null && changed(change, clash))
                .findFirst();
        return new DomainProblem.Clash(
                clash.node(),
                clash.label(),
                clash.facet(),
                clash.theirs(),
                clash.yours(),
                said(clash.facet(), clash.theirs(), tree),
                said(clash.facet(), clash.yours(), tree),
                theirs.map(change -> change.actor).orElse(""),
                theirs.map(change -> change.at.toString()).orElse(""));
    }

    private static Sentence said(String facet, String value, PlantTree tree) {
        return facet.equals(Facet.PARENT)
                ? tree.nodes().find(UUID.fromString(value)).map(Node::title).orElse(Sentence.of("plant.theTop"))
                : Sentence.plain(value);
    }

    private boolean changed(PlantChangeEntity change, PlantConflictException.Clash clash) {
        for (Alteration alteration :
                json.readValue(change.change, StoredChange.class).altered()) {
            if (alteration.node().equals(clash.node()) && alteration.facets().containsKey(clash.facet())) {
                return true;
            }
        }
        return false;
    }

    private void refreshOnceCommitted() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                try {
                    plant.refresh();
                } catch (RuntimeException notNow) {
                    // The change is made; whoever looks next reads it.
                    LOG.warn("The plant could not be read again after a change: {}", notNow.getMessage());
                }
            }
        });
    }

    /** The nodes themselves, and what they stood or stand in: a removed machine is found in the history of its area. */
    private void noteTouched(UUID changeId, NodeTree before, PlantChange change) {
        Set<UUID> touched = new HashSet<>(change.nodes());
        change.added().forEach(node -> touched.add(node.parentId()));
        change.removed().forEach(node -> touched.add(node.parentId()));
        change.altered()
                .forEach(alteration -> before.find(alteration.node()).ifPresent(node -> touched.add(node.parentId())));
        many.insert(touched.stream()
                .map(node -> TouchedNodeEntity.of(changeId, node))
                .toList());
    }

    /** Takes a change back. Doing it twice does nothing more. */
    @Transactional
    public void undo(UUID changeId) {
        turn(changeId, true);
    }

    /** Does a change again that was taken back. */
    @Transactional
    public void redo(UUID changeId) {
        turn(changeId, false);
    }

    private void turn(UUID changeId, boolean back) {
        rows.lock();
        PlantChangeEntity entry =
                changes.findById(changeId).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.change")));
        if ((entry.undoneAt != null) == back) {
            return;
        }
        if (entry.change == null) {
            throw new DomainProblem.Conflict("not-kept", Sentence.of("plant.oldChange"));
        }
        StoredChange stored = json.readValue(entry.change, StoredChange.class);
        StoredChange turned = back ? stored.inverse() : stored;
        PlantTree before = plant.tree();
        PlantChange change = new PlantChange(
                rows.removed(turned.added()),
                turned.removed().stream()
                        .flatMap(id -> before.nodes().find(id).stream())
                        .toList(),
                turned.altered());
        NodeTree after;
        try {
            after = before.nodes().apply(change);
        } catch (PlantRefusedException refused) {
            throw PlantProblems.of(refused);
        } catch (PlantConflictException conflict) {
            throw PlantProblems.changedSince(conflict);
        }
        rules.require(before, after, change);
        entry.undoneAt = back ? clock.instant() : null;
        changes.flush();
        rows.write(changeId, change, after, NOBODY);
        refreshOnceCommitted();
        audit.note(
                changeId,
                Sentence.of(back ? "plant.undone" : "plant.redone", "what", StoredSentence.read(entry.sentence)),
                before.nodes(),
                change);
    }

    /** @param node whose history; null for that of the whole plant */
    @Transactional(readOnly = true)
    public List<HistoryLine> history(@Nullable UUID node) {
        List<PlantChangeEntity> found = node == null
                ? changes.findAllByOrderByAtDesc(Limit.of(MOST_CHANGES_SHOWN))
                : changes.ofNode(node, Limit.of(MOST_CHANGES_SHOWN));
        return found.stream()
                .map(c -> new HistoryLine(
                        c.id,
                        c.at.toString(),
                        c.actor,
                        StoredSentence.read(c.sentence),
                        c.undoneAt != null,
                        c.change != null))
                .toList();
    }
}
