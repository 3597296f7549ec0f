package rovek.core.technique;

/** How to read a result: which direction is worse. */
public enum Sense {
    HIGHER_IS_WORSE,
    LOWER_IS_WORSE
}
