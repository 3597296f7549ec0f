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
    public record GateItem(Kind kind, State state, String found, String meaning) {}

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
            List<String> obstacles,
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
            items.add(new GateItem(Kind.FIT, State.STOP, "it does not fit", String.join(" ", found.obstacles())));
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
                    "enough",
                    "%s needed, %s free.".formatted(megabytes(found.memoryNeeded()), megabytes(found.memoryFree()))));
        }
        items.sort((one, other) -> one.state().compareTo(other.state()));
        return new LoadGate(items);
    }

    private static GateItem clock(Found found) {
        if (found.clockAhead().isEmpty()) {
            return new GateItem(
                    Kind.CLOCK, State.NOTE, "not available", "Compare it with yours before the first reading.");
        }
        ClockCorrection difference = new ClockCorrection(found.clockAhead().get());
        if (!difference.isNeeded()) {
            return new GateItem(Kind.CLOCK, State.READY, "correct", "");
        }
        boolean isFast = !found.clockAhead().get().isNegative();
        String span = span(found.clockAhead().get().abs());
        String meaning = "Readings would be dated %s too %s.%s%s"
                .formatted(
                        span,
                        isFast ? "late" : "early",
                        isWholeZone(found.clockAhead().get().abs())
                                ? " Exactly that much is probably another time zone."
                                : "",
                        found.holdsUnread()
                                ? " It holds readings that are not stored yet: they are read back first, and their times corrected."
                                : "");
        return new GateItem(Kind.CLOCK, State.RESOLVE, span + (isFast ? " fast" : " slow"), meaning);
    }

    private static boolean isWholeZone(Duration size) {
        long quarters = Math.round(size.toSeconds() / (double) QUARTER.toSeconds());
        return quarters > 0
                && size.compareTo(FURTHEST_ZONE) <= 0
                && size.minus(QUARTER.multipliedBy(quarters)).abs().compareTo(ClockCorrection.TOLERANCE) <= 0;
    }

    private static GateItem battery(Found found) {
        if (found.batteryPercent().isEmpty()) {
            return new GateItem(Kind.BATTERY, State.NOTE, "not reported", "");
        }
        int percent = found.batteryPercent().getAsInt();
        if (percent >= LOW_BATTERY_PERCENT) {
            return new GateItem(Kind.BATTERY, State.READY, percent + " %", "");
        }
        String work = found.minutes() > 0
                ? "The walk takes about %d min. ".formatted(Math.max(1, Math.round(found.minutes())))
                : "";
        return new GateItem(
                Kind.BATTERY, State.DECIDE, percent + " %", work + "Charge it first, or take a spare battery along.");
    }

    private static GateItem calibration(Found found) {
        if (found.calibratedUntil().isEmpty()) {
            return new GateItem(
                    Kind.CALIBRATION,
                    State.NOTE,
                    "not known",
                    "A report needs it: enter the calibration of the instrument.");
        }
        LocalDate until = found.calibratedUntil().get();
        long days = ChronoUnit.DAYS.between(found.today(), until);
        if (days < 0) {
            String meaning = found.refusesOverdue()
                    ? "What is measured with it cannot be certified."
                    : "That will stand on every report of what is measured with it.";
            return new GateItem(Kind.CALIBRATION, State.DECIDE, "ran out on " + until, meaning);
        }
        return days <= DUE_SOON_DAYS
                ? new GateItem(
                        Kind.CALIBRATION,
                        State.NOTE,
                        "due on " + until,
                        days == 0
                                ? "It covers today, not tomorrow."
                                : "It covers today; %d %s left.".formatted(days, days == 1 ? "day is" : "days are"))
                : new GateItem(Kind.CALIBRATION, State.READY, "to " + until, "");
    }

    private static GateItem byHand(Found found) {
        String named = found.byHand().stream().limit(PLACES_NAMED).collect(Collectors.joining(", "));
        int more = found.byHand().size() - PLACES_NAMED;
        return new GateItem(
                Kind.BY_HAND,
                State.NOTE,
                "%d of %d stops by hand".formatted(found.byHand().size(), found.stops()),
                named + (more > 0 ? " and %d more".formatted(more) : "")
                        + ": not on the instrument. Enter them under Visits.");
    }

    private static String span(Duration size) {
        if (size.toMinutes() < 2) {
            return size.toSeconds() + " s";
        }
        Duration minutes = Duration.ofMinutes(Math.round(size.toSeconds() / 60.0));
        return minutes.toDays() >= 2
                ? minutes.toDays() + " days"
                : minutes.toHours() > 0
                        ? "%d h %d min".formatted(minutes.toHours(), minutes.toMinutesPart())
                        : minutes.toMinutes() + " min";
    }

    private static String megabytes(long bytes) {
        return String.format(Locale.ROOT, "%.1f MB", bytes / 1e6);
    }

    /**
     * Why nothing is to be loaded yet, as a sentence; empty where the gate is open.
     *
     * @param accepted what somebody has seen and loads over
     */
    public Optional<String> refusal(Set<Kind> accepted) {
        String open = items.stream()
                .filter(item -> item.state() == State.STOP
                        || (item.state().compareTo(State.NOTE) < 0 && !accepted.contains(item.kind())))
                .map(item -> item.state() == State.STOP
                        ? item.meaning()
                        : "%s: %s.".formatted(name(item.kind()), item.found()))
                .collect(Collectors.joining(" "));
        return open.isEmpty() ? Optional.empty() : Optional.of(open);
    }

    private static String name(Kind kind) {
        String name = kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
        return Character.toUpperCase(name.charAt(0)) + name.substring(1);
    }
}
