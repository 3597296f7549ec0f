package rovek.core.plant;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A map that is never changed: a new one differs from it by a few entries and shares the rest. The differences lie over
 * a large base until they are many enough to be worth a base of their own.
 */
public final class Layered<K, V> {

    private static final int FEW = 1_024;

    private final Map<K, V> base;
    private final Map<K, Optional<V>> over;
    private final int size;

    private Layered(Map<K, V> base, Map<K, Optional<V>> over, int size) {
        this.base = base;
        this.over = over;
        this.size = size;
    }

    /** Takes the map over: nobody may change it afterwards. */
    public static <K, V> Layered<K, V> of(Map<K, V> base) {
        return new Layered<>(base, Map.of(), base.size());
    }

    public Optional<V> get(K key) {
        Optional<V> differing = over.get(key);
        return differing != null ? differing : Optional.ofNullable(base.get(key));
    }

    public int size() {
        return size;
    }

    /** The keys under which another map holds something else. What both share is not looked at. */
    public Set<K> differing(Layered<K, V> other) {
        Set<K> candidates = new HashSet<>(over.keySet());
        candidates.addAll(other.over.keySet());
        if (base != other.base) {
            candidates.addAll(base.keySet());
            candidates.addAll(other.base.keySet());
        }
        candidates.removeIf(key -> get(key).equals(other.get(key)));
        return candidates;
    }

    /** @param changes key to new value, or to empty where it goes */
    public Layered<K, V> with(Map<K, Optional<V>> changes) {
        int grown = size;
        for (Map.Entry<K, Optional<V>> change : changes.entrySet()) {
            grown += (change.getValue().isPresent() ? 1 : 0)
                    - (get(change.getKey()).isPresent() ? 1 : 0);
        }
        Map<K, Optional<V>> differing = new HashMap<>(over);
        differing.putAll(changes);
        if (differing.size() <= Math.max(FEW, base.size() / 32)) {
            return new Layered<>(base, differing, grown);
        }
        Map<K, V> whole = new HashMap<>(Math.max(16, grown * 2));
        whole.putAll(base);
        differing.forEach(
                (key, value) -> value.ifPresentOrElse(present -> whole.put(key, present), () -> whole.remove(key)));
        return of(whole);
    }
}
