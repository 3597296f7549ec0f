package rovek.core.route;

import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import rovek.core.reading.ClockCorrection;
import rovek.core.wording.Sentence;

/**
 * What is looked at before anything is loaded onto an instrument: afterwards it is in the plant, and too late.
 *
 * @param items in the order they are to be looked at, the open ones first
 */
public record LoadGate(List<GateItem> items) {

    /** What is looked at. */
    public enum Kind {
        FIT,
        CLOCK,
        BATTERY,
        CALIBRATION,
        BY_HAND,
        MEMORY
    }

    /**
     * How it stands. Nothing is loaded over what stops; what is to be resolved or decided, only where somebody accepts
     * it.
     */
    public enum State {
        STOP,
        RESOLVE,
        DECIDE,
        NOTE,
        READY
    }

    /**
     * One thing that was looked at.
     *
     * @param found as it is now, in a few words
     * @param meaning what follows from it, in a sentence or two; may be blank
     */
    public record GateItem(Kind kind, State state, Sentence found, Sentence meaning) {}

    /**
     * What was found.
     *
     * @param obstacles why the instrument cannot take it, each a sentence
     * @param clockAhead of true time; empty where its clock cannot be asked
     * @param holdsUnread whether it holds readings that are not stored yet
     * @param batteryPercent empty where it does not tell
     * @param calibratedUntil empty where it is not known
     * @param refusesOverdue whether the company refuses to certify what was measured after that day
     * @param minutes the work takes; 0 where that is not known
     * @param stops of the route; 0 for a set-up
     * @param byHand places of the stops that are not loaded but entered by hand
     * @param memoryNeeded bytes that will be measured; 0 where that is not known
     */
    public record Found(
            List<Sentence> obstacles,
            Optional<Duration> clockAhead,
            boolean holdsUnread,
            OptionalInt batteryPercent,
            Optional<LocalDate> calibratedUntil,
            boolean refusesOverdue,
            LocalDate today,
            double minutes,
            int stops,
            List<String> byHand,
            long memoryNeeded,
            long memoryFree) {}

    private static final int LOW_BATTERY_PERCENT = 20;
    private static final int DUE_SOON_DAYS = 30;
    private static final int PLACES_NAMED = 3;
    private static final Duration QUARTER = Duration.ofMinutes(15);
    private static final Duration FURTHEST_ZONE = Duration.ofHours(14);

    public LoadGate {
        items = List.copyOf(items);
    }

    public static LoadGate of(Found found) {
        List<GateItem> items = new ArrayList<>();
        if (!found.obstacles().isEmpty()) {
            items.add(new GateItem(
                    Kind.FIT, State.STOP, Sentence.of("route.gateFit"), Sentence.joined(found.obstacles())));
        }
        items.add(clock(found));
        items.add(battery(found));
        items.add(calibration(found));
        if (!found.byHand().isEmpty()) {
            items.add(byHand(found));
        }
        if (found.memoryNeeded() > 0 && found.memoryNeeded() <= found.memoryFree()) {
            items.add(new GateItem(
                    Kind.MEMORY,
                    State.READY,
                    Sentence.of("route.gateEnough"),
                    Sentence.of(
                            "route.gateMemory",
                            "needed",
                            found.memoryNeeded() / 1e6,
                            "free",
                            found.memoryFree() / 1e6)));
        }
        items.sort((one, other) -> one.state().compareTo(other.state()));
        return new LoadGate(items);
    }

    private static GateItem clock(Found found) {
        if (found.clockAhead().isEmpty()) {
            return new GateItem(
                    Kind.CLOCK, State.NOTE, Sentence.of("route.gateNoClock"), Sentence.of("route.gateCompareClock"));
        }
        ClockCorrection difference = new ClockCorrection(found.clockAhead().get());
        if (!difference.isNeeded()) {
            return new GateItem(Kind.CLOCK, State.READY, Sentence.of("route.gateClockRight"), Sentence.NONE);
        }
        boolean isFast = !found.clockAhead().get().isNegative();
        Sentence span = span(found.clockAhead().get().abs());
        List<Sentence> meaning = new ArrayList<>();
        meaning.add(Sentence.of(isFast ? "route.gateTooLate" : "route.gateTooEarly", "span", span));
        if (isWholeZone(found.clockAhead().get().abs())) {
            meaning.add(Sentence.of("route.gateZone"));
        }
        if (found.holdsUnread()) {
            meaning.add(Sentence.of("route.gateUnread"));
        }
        return new GateItem(
                Kind.CLOCK,
                State.RESOLVE,
                Sentence.of(isFast ? "route.gateFast" : "route.gateSlow", "span", span),
                Sentence.joined(meaning));
    }

    private static boolean isWholeZone(Duration size) {
        long quarters = Math.round(size.toSeconds() / (double) QUARTER.toSeconds());
        return quarters > 0
                && size.compareTo(FURTHEST_ZONE) <= 0
                && size.minus(QUARTER.multipliedBy(quarters)).abs().compareTo(ClockCorrection.TOLERANCE) <= 0;
    }

    private static GateItem battery(Found found) {
        if (found.batteryPercent().isEmpty()) {
            return new GateItem(Kind.BATTERY, State.NOTE, Sentence.of("route.gateNoBattery"), Sentence.NONE);
        }
        int percent = found.batteryPercent().getAsInt();
        Sentence charge = Sentence.of("route.gatePercent", "percent", percent);
        if (percent >= LOW_BATTERY_PERCENT) {
            return new GateItem(Kind.BATTERY, State.READY, charge, Sentence.NONE);
        }
        List<Sentence> meaning = new ArrayList<>();
        if (found.minutes() > 0) {
            meaning.add(Sentence.of("route.gateWalk", "minutes", Math.max(1, Math.round(found.minutes()))));
        }
        meaning.add(Sentence.of("route.gateCharge"));
        return new GateItem(Kind.BATTERY, State.DECIDE, charge, Sentence.joined(meaning));
    }

    private static GateItem calibration(Found found) {
        if (found.calibratedUntil().isEmpty()) {
            return new GateItem(
                    Kind.CALIBRATION,
                    State.NOTE,
                    Sentence.of("route.gateNoCalibration"),
                    Sentence.of("route.gateEnterCalibration"));
        }
        LocalDate until = found.calibratedUntil().get();
        long days = ChronoUnit.DAYS.between(found.today(), until);
        if (days < 0) {
            Sentence meaning =
                    found.refusesOverdue() ? Sentence.of("route.gateNotCertified") : Sentence.of("route.gateOnReports");
            return new GateItem(Kind.CALIBRATION, State.DECIDE, Sentence.of("route.gateRanOut", "day", until), meaning);
        }
        return days <= DUE_SOON_DAYS
                ? new GateItem(
                        Kind.CALIBRATION,
                        State.NOTE,
                        Sentence.of("route.gateDue", "day", until),
                        days == 0 ? Sentence.of("route.gateToday") : Sentence.of("route.gateDaysLeft", "days", days))
                : new GateItem(
                        Kind.CALIBRATION, State.READY, Sentence.of("route.gateUntil", "day", until), Sentence.NONE);
    }

    private static GateItem byHand(Found found) {
        String named = found.byHand().stream().limit(PLACES_NAMED).collect(Collectors.joining(", "));
        int more = found.byHand().size() - PLACES_NAMED;
        return new GateItem(
                Kind.BY_HAND,
                State.NOTE,
                Sentence.of("route.gateByHand", "byHand", found.byHand().size(), "stops", found.stops()),
                more > 0
                        ? Sentence.of("route.gateEnterMore", "places", named, "more", more)
                        : Sentence.of("route.gateEnter", "places", named));
    }

    private static Sentence span(Duration size) {
        if (size.toMinutes() < 2) {
            return Sentence.plain(size.toSeconds() + " s");
        }
        Duration minutes = Duration.ofMinutes(Math.round(size.toSeconds() / 60.0));
        if (minutes.toDays() >= 2) {
            return Sentence.of("route.days", "days", minutes.toDays());
        }
        return Sentence.plain(
                minutes.toHours() > 0
                        ? "%d h %d min".formatted(minutes.toHours(), minutes.toMinutesPart())
                        : minutes.toMinutes() + " min");
    }

    /**
     * Why nothing is to be loaded yet, as a sentence; empty where the gate is open.
     *
     * @param accepted what somebody has seen and loads over
     */
    public Optional<Sentence> refusal(Set<Kind> accepted) {
        List<Sentence> open = items.stream()
                .filter(item -> item.state() == State.STOP
                        || (item.state().compareTo(State.NOTE) < 0 && !accepted.contains(item.kind())))
                .map(item -> item.state() == State.STOP
                        ? item.meaning()
                        : Sentence.of("route.gateOpen", "what", called(item.kind()), "found", item.found()))
                .toList();
        return open.isEmpty() ? Optional.empty() : Optional.of(Sentence.joined(open));
    }

    private static Sentence called(Kind kind) {
        return Sentence.of("route.gateKind", "kind", kind.name().toLowerCase(Locale.ROOT));
    }
}
