package rovek.core.route;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Why an instrument cannot measure some stops of a route, each reason once however many points it holds for. */
final class Obstacles {

    /** Reason to the places it holds for, in walking order. */
    private final Map<Reason, Set<String>> places = new LinkedHashMap<>();

    /**
     * A reason, as the two ends of a sentence about the points.
     *
     * @param before what comes before the points
     * @param one what comes behind a single point, likewise {@code many} behind several
     */
    private record Reason(String before, String one, String many) {}

    private static List<Reason> reasons(PlannedStop stop, InstrumentProfile instrument) {
        List<Reason> reasons = new ArrayList<>();
        if (stop.isWrittenBeside(instrument)) {
            return reasons;
        }
        if (!instrument.techniques().contains(stop.technique())) {
            reasons.add(new Reason("It does not measure %s, which ".formatted(stop.technique()), " needs.", " need."));
        }
        String sensorOut = instrument.sensorsOut().get(stop.sensor());
        if (sensorOut != null) {
            String with = " measured with sensor %s, which %s.".formatted(stop.sensor(), sensorOut);
            reasons.add(new Reason("", " is" + with, " are" + with));
        }
        for (String option : stop.demand().options()) {
            if (!instrument.options().contains(option)) {
                reasons.add(new Reason("It lacks the option %s, which ".formatted(option), " needs.", " need."));
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

    List<String> sentences() {
        return places.entrySet().stream()
                .map(entry -> sentence(entry.getKey(), entry.getValue()))
                .toList();
    }

    private static String sentence(Reason reason, Set<String> where) {
        String first = where.iterator().next();
        return where.size() == 1
                ? reason.before() + first + reason.one()
                : reason.before() + "%d points (%s and others)".formatted(where.size(), first) + reason.many();
    }
}
