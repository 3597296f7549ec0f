package rovek.server.rounds.visit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.reading.AccidentalReading;
import rovek.core.reading.Placing;
import rovek.core.reading.TypedLabel;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;

/**
 * Where loose readings may belong, and which placed ones were perhaps swapped. Only machines that were typed on the
 * instrument or measured on the same visit are looked at, so that a large plant costs no more than a small one but one
 * walk through it.
 */
@Component
class Proposals {

    private static final int MOST_ALIKE = 200;
    private static final int MOST_LABELS = 100;
    private static final int MOST_SHOWN = 3;
    private static final int HISTORY = 24;

    private final Readings readings;
    private final Techniques techniques;

    Proposals(Readings readings, Techniques techniques) {
        this.readings = readings;
        this.techniques = techniques;
    }

    /** The checks of a visit's machines, each with what it usually shows. */
    record Known(Map<UUID, CheckView> checks, Map<UUID, double[]> histories) {}

    /** @param all readings of the visit */
    Map<UUID, List<PlacementProposal>> of(List<ReadingView> all, PlantTree tree) {
        List<ReadingView> loose = all.stream().filter(Proposals::isLoose).toList();
        if (loose.isEmpty()) {
            return Map.of();
        }
        Map<UUID, List<Instant>> measured = measuredByAsset(all, tree);
        Set<UUID> assets = new LinkedHashSet<>(measured.keySet());
        Set<UUID> sites = new HashSet<>();
        measured.keySet().forEach(asset -> sites.add(site(asset, tree)));
        assets.addAll(typed(loose, sites, tree));
        Known known = known(checksOf(assets, tree), all);
        Set<UUID> standing = new HashSet<>();
        all.stream()
                .filter(reading -> reading.checkId() != null && !reading.replaced())
                .forEach(reading -> standing.add(reading.checkId()));
        Map<UUID, List<PlacementProposal>> proposals = new HashMap<>();
        for (ReadingView reading : loose) {
            List<Placing.Candidate> candidates = known.checks().values().stream()
                    .filter(check -> check.technique().id().equals(reading.technique()))
                    .map(check -> new Placing.Candidate(
                            check.id(),
                            check.asset().tag(),
                            check.asset().name(),
                            check.point().name(),
                            !sites.isEmpty() && !sites.contains(site(check.id(), tree)),
                            measured.getOrDefault(check.asset().id(), List.of()),
                            standing.contains(check.id()),
                            leading(check),
                            known.histories().get(check.id())))
                    .toList();
            proposals.put(
                    reading.id(),
                    Placing.rank(placeless(reading), candidates).stream()
                            .limit(MOST_SHOWN)
                            .map(one -> said(one, known.checks().get(one.check())))
                            .toList());
        }
        return proposals;
    }

    private boolean wouldBeNothing(ReadingView reading) {
        return techniques
                .find(reading.technique())
                .filter(Technique::zeroIsNothing)
                .isPresent();
    }

    private static String leading(CheckView check) {
        return check.leadingResult().map(ResultDefinition::id).orElse("");
    }

    /** The site a node stands at; its client where there is no site between. */
    private static UUID site(UUID node, PlantTree tree) {
        return tree.nearest(node, Level.SITE)
                .or(() -> tree.nearest(node, Level.CLIENT))
                .map(PlantNode::id)
                .orElse(node);
    }

    private static boolean isLoose(ReadingView reading) {
        return reading.checkId() == null && !reading.replaced() && reading.discardedBecause() == null;
    }

    private static Placing.Loose placeless(ReadingView reading) {
        Optional<Map.Entry<String, Amount>> leading =
                reading.results().entrySet().stream().findFirst();
        return new Placing.Loose(
                reading.label(),
                reading.takenAt(),
                leading.map(Map.Entry::getKey).orElse(""),
                leading.map(entry -> OptionalDouble.of(entry.getValue().value()))
                        .orElse(OptionalDouble.empty()));
    }

    private static PlacementProposal said(Placing.Proposal proposal, CheckView check) {
        return new PlacementProposal(
                check.id(),
                check.asset().tag(),
                check.point().name() + ", " + check.node().name(),
                Sentence.listed(proposal.reasons()),
                proposal.certainty());
    }

    private static Map<UUID, List<Instant>> measuredByAsset(List<ReadingView> all, PlantTree tree) {
        Map<UUID, List<Instant>> measured = new LinkedHashMap<>();
        all.stream()
                .filter(reading -> reading.checkId() != null)
                .forEach(reading -> tree.nearest(reading.checkId(), Level.ASSET)
                        .ifPresent(asset -> measured.computeIfAbsent(asset.id(), none -> new ArrayList<>())
                                .add(reading.takenAt())));
        return measured;
    }

    /**
     * Machines whose tag was typed, or whose name shares a word with what was; which of them is meant is weighed later.
     * A word that hundreds share tells nothing, unless few of those stand where the visit was.
     *
     * @param sites of the visit
     */
    private static Set<UUID> typed(List<ReadingView> loose, Set<UUID> sites, PlantTree tree) {
        TypedLabel anyOfThem = TypedLabel.of(
                String.join(" ", loose.stream().map(ReadingView::label).toList()));
        Map<TypedLabel, List<UUID>> named = new LinkedHashMap<>();
        loose.stream()
                .map(ReadingView::label)
                .distinct()
                .limit(MOST_LABELS)
                .forEach(label -> named.put(TypedLabel.of(label), new ArrayList<>()));
        Set<UUID> found = new LinkedHashSet<>();
        if (!anyOfThem.words().isEmpty()) {
            tree.nodes().walk(Node.PLANT, Level.ASSET, node -> {
                if (node.level() == Level.ASSET && anyOfThem.names(node.tag()) && found.size() < MOST_ALIKE) {
                    found.add(node.id());
                } else if (node.level() == Level.ASSET && anyOfThem.sharesAWordWith(node.name())) {
                    named.forEach((label, alike) -> {
                        if (label.sharesAWordWith(node.name())) {
                            alike.add(node.id());
                        }
                    });
                }
            });
        }
        named.values().forEach(alike -> {
            List<UUID> near = alike.size() <= MOST_ALIKE
                    ? alike
                    : alike.stream()
                            .filter(asset -> sites.contains(site(asset, tree)))
                            .toList();
            found.addAll(near.size() <= MOST_ALIKE ? near : List.of());
        });
        return found;
    }

    private static List<CheckView> checksOf(Set<UUID> assets, PlantTree tree) {
        return assets.stream()
                .flatMap(asset -> tree.checksBelow(asset).stream())
                .flatMap(check -> tree.check(check.id()).stream())
                .toList();
    }

    private Known known(List<CheckView> checks, List<ReadingView> visit) {
        Set<UUID> ofThisVisit = new HashSet<>();
        visit.forEach(reading -> ofThisVisit.add(reading.id()));
        Map<UUID, CheckView> byId = new LinkedHashMap<>();
        checks.forEach(check -> byId.put(check.id(), check));
        Map<UUID, List<ReadingView>> newest = readings.newest(byId.keySet(), HISTORY);
        Map<UUID, double[]> histories = new HashMap<>();
        byId.forEach((id, check) -> histories.put(
                id,
                newest.getOrDefault(id, List.of()).stream()
                        .filter(reading -> !ofThisVisit.contains(reading.id()))
                        .flatMap(reading -> reading.value(check.leadingResult()).stream())
                        .mapToDouble(Amount::value)
                        .toArray()));
        return new Known(byId, histories);
    }

    /**
     * What looks odd among the readings of a visit.
     *
     * @param swapped reading to the one it was perhaps swapped with, both ways
     * @param accidental readings that look as if nothing had been measured
     */
    record Oddities(Map<UUID, UUID> swapped, Set<UUID> accidental) {
        static final Oddities NONE = new Oddities(Map.of(), Set.of());
    }

    Oddities oddities(List<ReadingView> all, PlantTree tree) {
        List<ReadingView> standing = all.stream()
                .filter(reading -> reading.checkId() != null && reading.counts())
                .toList();
        Known known =
                known(tree.checks(standing.stream().map(ReadingView::checkId).toList()), all);
        List<Placing.Placed> placed = new ArrayList<>();
        for (ReadingView reading : standing) {
            CheckView check = known.checks().get(reading.checkId());
            if (check != null) {
                reading.value(check.leadingResult())
                        .ifPresent(value -> placed.add(new Placing.Placed(
                                reading.id(),
                                leading(check),
                                value.value(),
                                known.histories().get(check.id()))));
            }
        }
        Map<UUID, UUID> swapped = new HashMap<>();
        Placing.perhapsSwapped(placed).forEach(swap -> {
            swapped.put(swap.one(), swap.other());
            swapped.put(swap.other(), swap.one());
        });
        Set<UUID> accidental = new HashSet<>();
        placed.stream()
                .filter(one -> AccidentalReading.looksSo(one.value(), one.history()))
                .forEach(one -> accidental.add(one.reading()));
        accidental.retainAll(
                all.stream().filter(this::wouldBeNothing).map(ReadingView::id).toList());
        all.stream()
                .filter(reading -> isLoose(reading) && wouldBeNothing(reading))
                .filter(reading -> reading.results().values().stream()
                        .findFirst()
                        .filter(leading -> AccidentalReading.looksSo(leading.value(), new double[0]))
                        .isPresent())
                .forEach(reading -> accidental.add(reading.id()));
        return new Oddities(swapped, accidental);
    }
}
