package rovek.core.limit;

/** How measurement uncertainty is allowed for in a verdict (JCGM 106:2012, ILAC-G8:09/2019). */
public enum DecisionRule {
    /** Within the tolerance passes, whatever the uncertainty. */
    SIMPLE,
    /** Only what lies within by the expanded uncertainty or more passes; all else fails. */
    GUARDED,
    /** Four states: what is nearer to a limit than the expanded uncertainty passes or fails with a condition. */
    GUARDED_FOUR_STATES,
    /** As {@link #SIMPLE}, but nothing is judged where the tolerance is less than four times the uncertainty. */
    SIMPLE_RATIO
}
