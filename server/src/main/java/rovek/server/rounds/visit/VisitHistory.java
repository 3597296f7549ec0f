package rovek.server.rounds.visit;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.trend.Spread;
import rovek.core.wording.Sentence;
import rovek.server.base.records.Parts;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.reading.Readings.Counted;
import rovek.server.people.account.Accounts;

/** All visits: the list of them, those with loose readings, and how routes were walked. */
@Service
public class VisitHistory {

    static final int VISITS_A_PAGE = 200;

    private static final Duration LOOKED_BACK = Duration.ofDays(400);
    private static final Duration BREAK = Duration.ofMinutes(30);
    private static final Comparator<VisitRepository.Line> NEWEST_FIRST =
            Comparator.comparing(VisitRepository.Line::beganAt).reversed().thenComparing(VisitRepository.Line::id);

    private final Instruments instruments;
    private final Accounts accounts;
    private final VisitRepository visits;
    private final Readings readings;
    private final Clock clock;

    VisitHistory(Instruments instruments, Accounts accounts, VisitRepository visits, Readings readings, Clock clock) {
        this.instruments = instruments;
        this.accounts = accounts;
        this.visits = visits;
        this.readings = readings;
        this.clock = clock;
    }

    /** A visit in the list. */
    public record VisitLine(
            UUID id, String title, String beganAt, String technician, Sentence instrument, int readings, int loose) {}

    /** A visit with readings that wait for their place. */
    public record Loose(UUID id, String title, Instant beganAt, int readings) {}

    /** The newest visits with loose readings, up to so many. */
    @Transactional(readOnly = true)
    public List<Loose> withLoose(int most) {
        Map<UUID, Integer> loose = readings.loose();
        return Parts.asked(loose.keySet(), part -> visits.newestOf(part, Limit.of(most))).stream()
                .sorted(NEWEST_FIRST)
                .limit(most)
                .map(visit -> new Loose(visit.id(), visit.title(), visit.beganAt(), loose.get(visit.id())))
                .toList();
    }

    @Transactional(readOnly = true)
    public boolean isAny() {
        return visits.existsByEmptyFalse();
    }

    /** The newest visits. */
    public List<VisitLine> list() {
        return list(0);
    }

    /**
     * A page of the visits, the newest first. What everything was moved out of is no visit any more.
     *
     * @param from how many newer ones are passed over
     */
    @Transactional(readOnly = true)
    public List<VisitLine> list(int from) {
        Map<UUID, InstrumentView> byId = new HashMap<>();
        instruments.all().forEach(instrument -> byId.put(instrument.id(), instrument));
        UnaryOperator<String> names = accounts.displayNames();
        List<VisitRepository.Line> lines = visits.lines(VISITS_A_PAGE, Math.max(0, from));
        Map<UUID, Counted> counted =
                readings.counted(lines.stream().map(VisitRepository.Line::id).toList());
        return lines.stream()
                .filter(visit -> visit.stops() > 0 || counted.containsKey(visit.id()))
                .map(visit -> line(
                        visit,
                        names.apply(visit.technician()),
                        byId.get(visit.instrumentId()).said(),
                        counted.getOrDefault(visit.id(), new Counted(0, 0))))
                .toList();
    }

    private static VisitLine line(VisitRepository.Line visit, String technician, Sentence instrument, Counted counted) {
        return new VisitLine(
                visit.id(),
                visit.title(),
                visit.beganAt().toString(),
                technician,
                instrument,
                counted.readings(),
                counted.loose());
    }

    /**
     * How a route was walked lately.
     *
     * @param lastDay of the latest walk
     * @param secondsAStop from one reading to the next, in the middle of its walks; empty where too few were taken to
     *     say
     */
    public record Walked(LocalDate lastDay, Optional<Double> secondsAStop) {}

    /**
     * The routes that were walked in the last year and a bit. A walk with stops to do is not walked yet. A break of
     * half an hour is no part of a walk's time.
     */
    @Transactional(readOnly = true)
    public Map<UUID, Walked> walkedRoutes(ZoneId zone) {
        Instant now = clock.instant();
        Map<UUID, List<VisitRepository.Walk>> byRoute =
                visits.walks(now.minus(LOOKED_BACK), now.plus(Duration.ofDays(1))).stream()
                        .collect(Collectors.groupingBy(VisitRepository.Walk::routeId));
        Map<UUID, Double> paces = readings.paces(
                byRoute.values().stream()
                        .flatMap(List::stream)
                        .map(VisitRepository.Walk::visitId)
                        .toList(),
                BREAK);
        Map<UUID, Walked> walked = new HashMap<>();
        byRoute.forEach((route, walks) -> walked.put(route, walked(walks, paces, zone)));
        return walked;
    }

    private static Walked walked(List<VisitRepository.Walk> walks, Map<UUID, Double> paces, ZoneId zone) {
        Instant last = walks.stream()
                .map(VisitRepository.Walk::beganAt)
                .max(Comparator.naturalOrder())
                .orElseThrow();
        double[] seconds = walks.stream()
                .flatMap(walk -> Optional.ofNullable(paces.get(walk.visitId())).stream())
                .mapToDouble(Double::doubleValue)
                .toArray();
        return new Walked(
                LocalDate.ofInstant(last, zone),
                seconds.length == 0 ? Optional.empty() : Optional.of(Spread.median(seconds)));
    }
}
