package rovek.server.visit;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import rovek.core.plant.Level;
import rovek.server.plant.CheckView;
import rovek.server.plant.PlantNode;
import rovek.server.plant.PlantTree;
import rovek.server.reading.ReadingView;

/**
 * Where a loose reading may belong.
 *
 * @param reason why, in a few words
 * @param points the larger the likelier; only good for ranking
 */
public record PlacementProposal(UUID checkId, String assetTag, String place, String reason, int points) {

    private static final int MOST = 3;
    private static final Duration NEAR = Duration.ofMinutes(10);

    /** The likeliest checks of the same technique, by what was typed on the instrument and what was measured around it. */
    static List<PlacementProposal> rank(ReadingView loose, List<ReadingView> visit, PlantTree tree) {
        List<PlacementProposal> proposals = new ArrayList<>();
        for (PlantNode node : tree.inOrder()) {
            if (node.level() == Level.CHECK && node.technique().equals(loose.technique())) {
                tree.check(node.id()).map(check -> weigh(loose, check, visit, tree)).filter(p -> p.points() > 0).ifPresent(proposals::add);
            }
        }
        proposals.sort(Comparator.comparingInt(PlacementProposal::points).reversed());
        return List.copyOf(proposals.subList(0, Math.min(MOST, proposals.size())));
    }

    private static PlacementProposal weigh(ReadingView loose, CheckView check, List<ReadingView> visit, PlantTree tree) {
        String label = loose.label().toLowerCase(Locale.ROOT);
        List<String> reasons = new ArrayList<>();
        int points = 0;
        boolean tagTyped = !check.asset().tag().isBlank() && label.contains(check.asset().tag().toLowerCase(Locale.ROOT));
        if (tagTyped) {
            points += 60;
            reasons.add("tag typed on the instrument");
        }
        if (tagTyped && label.contains(check.point().name().toLowerCase(Locale.ROOT))) {
            points += 20;
            reasons.add("and the point");
        }
        boolean around = visit.stream()
                .filter(other -> other.checkId() != null && tree.isBeneath(other.checkId(), check.asset().id()))
                .anyMatch(other -> Duration.between(other.takenAt(), loose.takenAt()).abs().compareTo(NEAR) <= 0);
        if (around) {
            points += 10;
            reasons.add("measured there within 10 min");
        }
        boolean sameResult = loose.results().containsKey(check.leadingResult().id());
        if (points > 0 && sameResult) {
            points += 5;
        }
        return new PlacementProposal(
                check.id(), check.asset().tag(), check.point().name() + ", " + check.node().name(),
                String.join(", ", reasons), points);
    }
}
