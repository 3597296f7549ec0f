package rovek.core.signal;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/**
 * Transforms, windows and tapers by the length of the record, made once and kept for some lengths. Safe for many
 * threads.
 */
public final class SignalTables {

    /** Instruments use few lengths. */
    private static final int MOST_KEPT = 16;

    /** What longer records need is made each time: kept, it would fill the memory. */
    private static final int LONGEST_KEPT = 1 << 18;

    private record WindowKey(Window kind, int length) {}

    private record TaperKey(int length, int ends) {}

    private final Map<Integer, FourierTransform> transforms = new ConcurrentHashMap<>();
    private final Map<WindowKey, double[]> windows = new ConcurrentHashMap<>();
    private final Map<TaperKey, Taper> tapers = new ConcurrentHashMap<>();

    public FourierTransform transform(int length) {
        return kept(transforms, length, length, FourierTransform::new);
    }

    /** The values of a window; not to be changed. */
    public double[] window(Window kind, int length) {
        return kept(
                windows, length, new WindowKey(kind, length), key -> key.kind().values(key.length()));
    }

    public Taper taper(int length, int ends) {
        return kept(tapers, length, new TaperKey(length, ends), key -> Taper.of(key.length(), key.ends()));
    }

    private static <K, V> V kept(Map<K, V> tables, int length, K key, Function<K, V> make) {
        V found = tables.get(key);
        if (found != null) {
            return found;
        }
        if (length > LONGEST_KEPT) {
            return make.apply(key);
        }
        if (tables.size() >= MOST_KEPT) {
            tables.clear();
        }
        V made = make.apply(key);
        tables.put(key, made);
        return made;
    }
}
