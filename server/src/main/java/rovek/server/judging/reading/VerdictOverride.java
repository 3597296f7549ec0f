package rovek.server.judging.reading;

import java.time.Instant;
import rovek.core.limit.Verdict;

/** A person's verdict on a reading, in the place of the computed one. */
public record VerdictOverride(Verdict verdict, String because, String by, Instant at) {}
