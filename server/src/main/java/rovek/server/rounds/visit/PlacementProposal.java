package rovek.server.rounds.visit;

import java.util.UUID;
import rovek.core.wording.Sentence;

/**
 * Where a loose reading may belong.
 *
 * @param reason why, in a few words
 * @param certainty 0 to 1
 */
public record PlacementProposal(UUID checkId, String assetTag, String place, Sentence reason, double certainty) {}
