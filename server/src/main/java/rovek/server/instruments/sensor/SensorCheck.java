package rovek.server.instruments.sensor;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rovek.core.technique.SensorUse;
import rovek.core.technique.Technique;
import rovek.server.base.problem.DomainProblem.Fault;

/** What is wrong with a sensor as somebody wants it; all of it at once. */
final class SensorCheck {

    private static final int LONGEST_TAG = 40;
    private static final int LONGEST_SERIAL = 60;
    private static final int MOST_MONTHS = 120;

    private final List<Fault> faults = new ArrayList<>();

    private SensorCheck() {}

    static List<Fault> faults(
            SensorDraft draft, Technique technique, SensorUse use, Optional<String> tagBefore, LocalDate today) {
        SensorCheck check = new SensorCheck();
        check.tag(draft.tag() == null ? "" : draft.tag().strip(), tagBefore);
        check.refuseIf(
                draft.serial() != null && draft.serial().length() > LONGEST_SERIAL,
                "serial",
                "A serial number has at most %d characters.".formatted(LONGEST_SERIAL));
        technique
                .setting(use.sensitivityKey())
                .fault(String.valueOf(draft.sensitivity()))
                .ifPresent(fault -> check.faults.add(new Fault("sensitivity", fault)));
        check.range(draft.rangeLow(), draft.rangeHigh());
        check.refuseIf(
                draft.calibratedOn() != null && draft.calibratedOn().isAfter(today),
                "calibratedOn",
                "A calibration lies in the past, not on %s.".formatted(draft.calibratedOn()));
        check.refuseIf(
                draft.calibrationMonths() != null
                        && (draft.calibrationMonths() < 1 || draft.calibrationMonths() > MOST_MONTHS),
                "calibrationMonths",
                "A sensor is calibrated every 1 to %d months, or without interval.".formatted(MOST_MONTHS));
        return check.faults;
    }

    private void tag(String tag, Optional<String> before) {
        refuseIf(
                tag.isEmpty() || tag.length() > LONGEST_TAG,
                "tag",
                "A sensor has a tag of up to %d characters.".formatted(LONGEST_TAG));
        refuseIf(
                tag.equalsIgnoreCase(SensorUse.NONE),
                "tag",
                "\"%s\" says that there is no sensor. Choose another tag.".formatted(tag));
        before.ifPresent(kept -> refuseIf(
                !kept.equals(tag),
                "tag",
                "Checks name this sensor %s. It keeps that tag; register another one instead.".formatted(kept)));
    }

    private void range(Double low, Double high) {
        refuseIf((low == null) != (high == null), "range", "A range has two ends.");
        refuseIf(low != null && high != null && !(low < high), "range", "A range ends above where it begins.");
    }

    private void refuseIf(boolean isWrong, String field, String reason) {
        if (isWrong) {
            faults.add(new Fault(field, reason));
        }
    }
}
