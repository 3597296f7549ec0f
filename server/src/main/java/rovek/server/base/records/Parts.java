package rovek.server.base.records;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.Function;

/** Long lists in parts, none so long that a statement could not name each of its members. */
public final class Parts {

    private static final int MOST = 10_000;

    private Parts() {}

    /** What is asked for part by part, together. */
    public static <T, R> List<R> asked(Collection<T> all, Function<List<T>, List<R>> question) {
        List<T> list = List.copyOf(all);
        List<R> answers = new ArrayList<>();
        for (int from = 0; from < list.size(); from += MOST) {
            answers.addAll(question.apply(list.subList(from, Math.min(list.size(), from + MOST))));
        }
        return answers;
    }
}
