package rovek.core.technique;

import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import rovek.core.technique.byhand.Gauge;
import rovek.core.technique.byhand.Question;
import rovek.core.technique.kept.KeptTechniques;
import rovek.core.technique.run.LoggedRun;
import rovek.core.technique.vibration.Vibration;

/** The techniques Rovek knows, by id. */
public final class Techniques {

    private final Map<String, Technique> byId = new LinkedHashMap<>();

    public Techniques(List<Technique> techniques) {
        techniques.forEach(technique -> byId.put(technique.id(), technique));
    }

    public static Techniques all() {
        return new Techniques(Stream.concat(
                        Stream.of(new Vibration(), new Gauge(), new Question(), new LoggedRun()),
                        KeptTechniques.all().stream())
                .toList());
    }

    public Optional<Technique> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** @throws IllegalArgumentException for an id that is not known */
    public Technique get(String id) {
        return find(id).orElseThrow(
                        () -> new IllegalArgumentException("Rovek does not know the technique \"%s\".".formatted(id)));
    }

    public Collection<Technique> list() {
        return Collections.unmodifiableCollection(byId.values());
    }
}
