package rovek.core.limit;

import java.util.Optional;
import rovek.core.unit.UnitOfMeasure;

/** Rules in another unit than they were written in. */
final class LimitUnits {

    private LimitUnits() {}

    static Rule in(Rule rule, UnitOfMeasure from, UnitOfMeasure to) {
        if (rule instanceof Rule.Within within) {
            return new Rule.Within(in(within.watch(), from, to), in(within.fail(), from, to));
        }
        if (rule instanceof Rule.Outside outside) {
            return new Rule.Outside(in(outside.watch(), from, to), in(outside.fail(), from, to));
        }
        if (rule instanceof Rule.Target target) {
            return new Rule.Target(from.convert(target.target(), to), in(target.allowed(), from, to));
        }
        if (rule instanceof Rule.PerDay rate) {
            return new Rule.PerDay(in(rate.allowed(), from, to));
        }
        if (rule instanceof Rule.FromBaseline change && !change.isShare()) {
            return new Rule.FromBaseline(in(change.allowed(), from, to), false);
        }
        if (rule instanceof Rule.FromSisters sisters && !sisters.isShare()) {
            return new Rule.FromSisters(in(sisters.allowed(), from, to), false);
        }
        return rule;
    }

    /** Ends that are open stay open. */
    static Range in(Range range, UnitOfMeasure from, UnitOfMeasure to) {
        return new Range(in(range.low(), from, to), in(range.high(), from, to));
    }

    private static double in(double end, UnitOfMeasure from, UnitOfMeasure to) {
        return Double.isInfinite(end) ? end : from.convert(end, to);
    }

    private static Allowed in(Allowed allowed, UnitOfMeasure from, UnitOfMeasure to) {
        return new Allowed(allowed.side(), in(allowed.watch(), from, to), in(allowed.fail(), from, to));
    }

    private static Optional<Double> in(Optional<Double> deviation, UnitOfMeasure from, UnitOfMeasure to) {
        return deviation.map(by -> from.convertDifference(by, to));
    }
}
