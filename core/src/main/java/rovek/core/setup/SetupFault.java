package rovek.core.setup;

import rovek.core.wording.Sentence;

/**
 * What is wrong with a set-up.
 *
 * @param field key of the field; of a row's field {@code rows.<index>.<key>}, counted from 0
 * @param reason as a sentence
 */
public record SetupFault(String field, Sentence reason) {}
