package rovek.server.base.records;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/** Long lists in parts, none so long that a statement could not name each of its members. */
public final class Parts {

    private static final int MOST = 10_000;

    private Parts() {}

    /** Hands a list over part by part. */
    public static <T> void each(Collection<T> all, Consumer<List<T>> taker) {
        each(all, MOST, taker);
    }

    private static <T> void each(Collection<T> all, int most, Consumer<List<T>> taker) {
        List<T> list = List.copyOf(all);
        for (int from = 0; from < list.size(); from += most) {
            taker.accept(list.subList(from, Math.min(list.size(), from + most)));
        }
    }

    /** What is asked for part by part, together. */
    public static <T, R> List<R> asked(Collection<T> all, Function<List<T>, List<R>> question) {
        return asked(all, 1, question);
    }

    /**
     * As {@link #asked(Collection, Function)}, where each member leads to several others that are named in turn.
     *
     * @param others how many at most
     */
    public static <T, R> List<R> asked(Collection<T> all, int others, Function<List<T>, List<R>> question) {
        List<R> answers = new ArrayList<>();
        each(all, Math.max(1, MOST / others), part -> answers.addAll(question.apply(part)));
        return answers;
    }
}
