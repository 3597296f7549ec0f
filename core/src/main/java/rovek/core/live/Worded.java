package rovek.core.live;

import java.util.Arrays;
import java.util.List;

/** One of a few choices that is stored and shown by a word of its own. */
public interface Worded {

    String word();

    /** The words of all of a kind, in their order. */
    static <E extends Enum<E> & Worded> List<String> words(Class<E> kind) {
        return Arrays.stream(kind.getEnumConstants()).map(Worded::word).toList();
    }

    /** @throws IllegalArgumentException for a word that none of them has */
    static <E extends Enum<E> & Worded> E of(Class<E> kind, String word) {
        return Arrays.stream(kind.getEnumConstants())
                .filter(one -> one.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "\"%s\" is none of %s.".formatted(word, String.join(", ", words(kind)))));
    }
}
