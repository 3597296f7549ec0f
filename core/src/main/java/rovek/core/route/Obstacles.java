package rovek.core.route;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rovek.core.technique.Technique;
import rovek.core.wording.Sentence;

/** Why an instrument cannot measure some stops of a route, each reason once however many points it holds for. */
final class Obstacles {

    /** Reason to the places it holds for, in walking order. */
    private final Map<Reason, Set<String>> places = new LinkedHashMap<>();

    /**
     * A reason.
     *
     * @param key of its sentence about some points
     * @param values of that sentence but for the points
     */
    private record Reason(String key, Map<String, Object> values) {}

    private static List<Reason> reasons(PlannedStop stop, InstrumentProfile instrument) {
        List<Reason> reasons = new ArrayList<>();
        if (stop.isWrittenBeside(instrument)) {
            return reasons;
        }
        if (!instrument.techniques().contains(stop.technique())) {
            reasons.add(new Reason("route.lacksTechnique", Map.of("technique", Technique.called(stop.technique()))));
        }
        Sentence sensorOut = instrument.sensorsOut().get(stop.sensor());
        if (sensorOut != null) {
            reasons.add(new Reason("route.sensorOut", Map.of("sensor", stop.sensor(), "why", sensorOut)));
        }
        for (String option : stop.demand().options()) {
            if (!instrument.options().contains(option)) {
                reasons.add(new Reason("route.lacksOption", Map.of("option", option)));
            }
        }
        return reasons;
    }

    /** Whether an instrument can measure a stop, whatever its memory holds. */
    static boolean isMeasurable(PlannedStop stop, InstrumentProfile instrument) {
        return reasons(stop, instrument).isEmpty();
    }

    void add(PlannedStop stop, InstrumentProfile instrument) {
        reasons(stop, instrument)
                .forEach(reason -> places.computeIfAbsent(reason, one -> new LinkedHashSet<>())
                        .add(stop.place()));
    }

    List<Sentence> sentences() {
        return places.entrySet().stream()
                .map(entry -> sentence(entry.getKey(), entry.getValue()))
                .toList();
    }

    private static Sentence sentence(Reason reason, Set<String> where) {
        Map<String, Object> values = new LinkedHashMap<>(reason.values());
        values.put("points", where.size());
        values.put("place", where.iterator().next());
        return new Sentence(reason.key(), values);
    }
}
