package rovek.core.technique;

import rovek.core.wording.Sentence;

/**
 * Something to know about a reading.
 *
 * @param code stable, for programs
 * @param sentence for people
 * @param preventsJudgement whether the results must not be judged
 */
public record Remark(String code, Sentence sentence, boolean preventsJudgement) {}
