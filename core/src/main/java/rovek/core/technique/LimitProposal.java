package rovek.core.technique;

import java.util.Optional;
import rovek.core.wording.Sentence;

/**
 * A limit that a standard names for a thing with this nameplate. Never taken by itself: a person takes it.
 *
 * @param resultId the result it is for
 * @param watch in the result's own unit
 * @param fail in the result's own unit
 * @param evidence the standard, and what of the nameplate led there
 */
public record LimitProposal(String resultId, Optional<Double> watch, Optional<Double> fail, Sentence evidence) {}
