package rovek.core.technique;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import rovek.core.technique.vibration.Vibration;

/** The techniques Rovek knows, by id. */
public final class Techniques {

    private final Map<String, Technique> byId;

    public Techniques(List<Technique> techniques) {
        byId = techniques.stream().collect(Collectors.toUnmodifiableMap(Technique::id, Function.identity()));
    }

    public static Techniques all() {
        return new Techniques(List.of(new Vibration()));
    }

    public Optional<Technique> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** @throws IllegalArgumentException for an id that is not known */
    public Technique get(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("Rovek does not know the technique \"%s\".".formatted(id)));
    }

    public Collection<Technique> list() {
        return byId.values();
    }
}
