package rovek.core.limit;

import java.util.Collection;

/**
 * The verdicts of everything below a node. The worst one leads; what was not judged is counted beside it and never
 * hidden by a pass.
 *
 * @param pass how many passed; likewise the others, all 0 or more
 */
public record RollUp(int pass, int watch, int fail, int notJudged) {

    public static final RollUp NOTHING = new RollUp(0, 0, 0, 0);

    public static RollUp of(Verdict verdict) {
        return switch (verdict) {
            case PASS -> new RollUp(1, 0, 0, 0);
            case WATCH -> new RollUp(0, 1, 0, 0);
            case FAIL -> new RollUp(0, 0, 1, 0);
            case NOT_JUDGED -> new RollUp(0, 0, 0, 1);
        };
    }

    public static RollUp ofAll(Collection<Verdict> verdicts) {
        return verdicts.stream().map(RollUp::of).reduce(NOTHING, RollUp::plus);
    }

    public RollUp plus(RollUp other) {
        return new RollUp(pass + other.pass, watch + other.watch, fail + other.fail, notJudged + other.notJudged);
    }

    /** Fail before watch before pass; not judged only where nothing was judged. */
    public Verdict worst() {
        if (fail > 0) {
            return Verdict.FAIL;
        }
        if (watch > 0) {
            return Verdict.WATCH;
        }
        return pass > 0 ? Verdict.PASS : Verdict.NOT_JUDGED;
    }

    public int total() {
        return pass + watch + fail + notJudged;
    }
}
