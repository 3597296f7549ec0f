package rovek.server.limit;

import rovek.core.limit.Limit;

/**
 * A limit's boundaries as they are shown beside a result.
 *
 * @param watch null where none is set; likewise {@code fail}
 */
public record Boundaries(Double watch, Double fail) {

    /** @param limit null where none is set */
    public static Boundaries of(Limit limit) {
        return limit == null
                ? new Boundaries(null, null)
                : new Boundaries(
                        limit.watch().map(amount -> amount.value()).orElse(null),
                        limit.fail().map(amount -> amount.value()).orElse(null));
    }
}
