package rovek.core.setup;

import java.util.OptionalLong;
import rovek.core.wording.Sentence;

/**
 * What a set-up asks of an instrument.
 *
 * @param technique it must be licensed for
 * @param memoryBytes what will be written; empty where it goes on until it is stopped
 * @param sentence what will happen, in a few words
 */
public record SetupNeeds(String technique, OptionalLong memoryBytes, Sentence sentence) {}
