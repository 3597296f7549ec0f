package rovek.core.technique.kept;

import rovek.core.reading.Capture;
import rovek.core.reading.TextCapture;
import rovek.core.technique.ByHand;
import rovek.core.technique.SettingValues;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** What somebody saw, in words. */
final class WrittenWords implements ByHand {

    private static final int LONGEST = 4_000;

    @Override
    public Form form() {
        return Form.WORDS;
    }

    @Override
    public Capture read(String written, SettingValues settings, KnownUnits units) {
        if (written.isBlank()) {
            throw new Refused(Sentence.of("byhand.noRemark"));
        }
        if (written.length() > LONGEST) {
            throw new Refused(Sentence.of("byhand.longRemark", "most", LONGEST));
        }
        return new TextCapture(written.strip().lines().toList());
    }
}
