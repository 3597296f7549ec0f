package rovek.core.limit;

/** What a comparison with limits came to. Not judged is no verdict on the machine: nothing said what is right. */
public enum Verdict {
    PASS,
    WATCH,
    FAIL,
    NOT_JUDGED
}
