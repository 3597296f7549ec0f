package rovek.server.instruments.sensor;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rovek.core.technique.SensorUse;
import rovek.core.technique.Technique;
import rovek.core.wording.Sentence;
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
                Sentence.of("instruments.longSerial", "most", LONGEST_SERIAL));
        technique
                .setting(use.sensitivityKey())
                .fault(technique.settingGroup(), String.valueOf(draft.sensitivity()))
                .ifPresent(fault -> check.faults.add(new Fault("sensitivity", fault)));
        check.range(draft.rangeLow(), draft.rangeHigh());
        check.refuseIf(
                draft.calibratedOn() != null && draft.calibratedOn().isAfter(today),
                "calibratedOn",
                Sentence.of("instruments.calibrationAhead", "day", draft.calibratedOn()));
        check.refuseIf(
                draft.calibrationMonths() != null
                        && (draft.calibrationMonths() < 1 || draft.calibrationMonths() > MOST_MONTHS),
                "calibrationMonths",
                Sentence.of("instruments.calibrationInterval", "most", MOST_MONTHS));
        return check.faults;
    }

    private void tag(String tag, Optional<String> before) {
        refuseIf(
                tag.isEmpty() || tag.length() > LONGEST_TAG,
                "tag",
                Sentence.of("instruments.sensorTag", "most", LONGEST_TAG));
        refuseIf(tag.equalsIgnoreCase(SensorUse.NONE), "tag", Sentence.of("instruments.sensorTagNone", "tag", tag));
        before.ifPresent(
                kept -> refuseIf(!kept.equals(tag), "tag", Sentence.of("instruments.sensorTagKept", "tag", kept)));
    }

    private void range(Double low, Double high) {
        refuseIf((low == null) != (high == null), "range", Sentence.of("instruments.rangeEnds"));
        refuseIf(low != null && high != null && !(low < high), "range", Sentence.of("instruments.rangeRises"));
    }

    private void refuseIf(boolean isWrong, String field, Sentence reason) {
        if (isWrong) {
            faults.add(new Fault(field, reason));
        }
    }
}
