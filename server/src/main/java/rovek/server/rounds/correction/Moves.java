package rovek.server.rounds.correction;

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
import rovek.core.plant.Counterpart;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.ReadingState;
import rovek.server.judging.reading.ReadingStates;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;
import rovek.server.rounds.correction.Corrections.Corrected;
import rovek.server.rounds.correction.Corrections.Wanted;
import rovek.server.rounds.visit.VisitState;
import rovek.server.rounds.visit.VisitStates;

/** Readings, or a whole visit, filed under the wrong machine, site, client or visit, moved to where they belong. */
@Service
public class Moves {

    private static final Set<Level> TARGETS = Set.of(Level.CLIENT, Level.SITE, Level.AREA, Level.SYSTEM, Level.ASSET);

    private final Corrections corrections;
    private final ReadingStates readings;
    private final VisitStates visits;
    private final Plant plant;

    Moves(Corrections corrections, ReadingStates readings, VisitStates visits, Plant plant) {
        this.corrections = corrections;
        this.readings = readings;
        this.visits = visits;
        this.plant = plant;
    }

    /**
     * What a move would do.
     *
     * @param target where to, as it is called
     * @param loose how many readings have no counterpart there and would wait in the tray
     */
    public record MovePlan(String target, List<MoveLine> lines, int loose) {}

    /**
     * What would become of one check's readings.
     *
     * @param to blank where there is no counterpart
     */
    public record MoveLine(Sentence from, Sentence to, int readings) {}

    private record Planned(Wanted wanted, MovePlan plan) {}

    /** @param chosen readings to be moved; empty for the whole visit, its walk included */
    @Transactional(readOnly = true)
    public MovePlan preview(UUID visit, UUID target, List<UUID> chosen) {
        return planned(visit, target, chosen).plan();
    }

    /** Does what the preview says. Readings without a counterpart become loose: where they are is certainly wrong. */
    @Transactional
    public Corrected toNode(UUID visit, UUID target, List<UUID> chosen) {
        return corrections.commit(planned(visit, target, chosen).wanted());
    }

    private Planned planned(UUID visitId, UUID targetId, List<UUID> chosen) {
        PlantTree tree = plant.tree();
        PlantNode target = tree.find(targetId)
                .filter(node -> TARGETS.contains(node.level()))
                .orElseThrow(() -> new DomainProblem.Invalid("target", Sentence.of("rounds.moveTarget")));
        Map<UUID, ReadingState> states = readings.of(chosen.isEmpty() ? readings.ofVisit(visitId) : chosen);
        Counterpart counterparts = new Counterpart(tree.nodes(), tree::name);
        Map<UUID, Optional<UUID>> moves = new HashMap<>();
        Map<UUID, Integer> counts = new LinkedHashMap<>();
        states.values().stream().filter(state -> state.checkId() != null).forEach(state -> {
            counts.merge(state.checkId(), 1, Integer::sum);
            moves.computeIfAbsent(
                    state.checkId(), check -> counterparts.of(check, targetId).map(Node::id));
        });
        if (counts.isEmpty()) {
            throw new DomainProblem.Conflict("nothing-placed", Sentence.of("rounds.nonePlaced"));
        }
        states.replaceAll((id, state) -> state.checkId() == null
                ? state
                : state.on(moves.get(state.checkId()).orElse(null)));
        List<MoveLine> lines = new ArrayList<>();
        counts.forEach((check, count) -> lines.add(new MoveLine(
                said(tree, check), moves.get(check).map(to -> said(tree, to)).orElse(Sentence.NONE), count)));
        int loose = counts.entrySet().stream()
                .filter(one -> moves.get(one.getKey()).isEmpty())
                .mapToInt(Map.Entry::getValue)
                .sum();
        Map<UUID, VisitState> walk =
                chosen.isEmpty() ? Map.of(visitId, walkMoved(visits.of(visitId), counterparts, targetId)) : Map.of();
        return new Planned(
                new Wanted(Sentence.of("rounds.correctionMoved", "node", target.label()), states, walk),
                new MovePlan(target.label(), lines, loose));
    }

    /** Stops without a counterpart are no part of a walk there. */
    private static VisitState walkMoved(VisitState visit, Counterpart counterparts, UUID target) {
        List<VisitState.WalkedStop> stops = new ArrayList<>();
        visit.stops()
                .forEach(stop ->
                        counterparts.of(stop.checkId(), target).ifPresent(check -> stops.add(stop.on(check.id()))));
        return visit.with(stops);
    }

    private static Sentence said(PlantTree tree, UUID check) {
        return tree.check(check)
                .map(view -> Sentence.plain(view.place() + ", " + view.node().name()))
                .orElse(Sentence.of("reports.removedCheck"));
    }

    /**
     * Moves readings into another visit.
     *
     * @param to empty for a visit of their own
     */
    @Transactional
    public Corrected toVisit(UUID from, List<UUID> chosen, Optional<UUID> to) {
        Map<UUID, ReadingState> states = readings.of(chosen);
        if (chosen.isEmpty()
                || states.values().stream().anyMatch(state -> !state.visitId().equals(from))) {
            throw new DomainProblem.Conflict("not-of-this-visit", Sentence.of("rounds.ofOtherVisit"));
        }
        UUID target = to.orElseGet(() -> visits.beside(
                from,
                states.values().stream()
                        .map(ReadingState::takenAt)
                        .min(java.util.Comparator.naturalOrder())
                        .orElseThrow()));
        String title = visits.title(target);
        states.replaceAll((id, state) -> state.in(target));
        return corrections.commit(Wanted.of(Sentence.of("rounds.correctionToVisit", "visit", title), states));
    }
}
