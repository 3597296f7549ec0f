package rovek.core.technique.kept;

import rovek.core.reading.Capture;
import rovek.core.reading.TextCapture;
import rovek.core.technique.ByHand;
import rovek.core.technique.SettingValues;
import rovek.core.unit.KnownUnits;

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
            throw new IllegalArgumentException("Nothing is written down.");
        }
        if (written.length() > LONGEST) {
            throw new IllegalArgumentException("A remark has at most %d characters.".formatted(LONGEST));
        }
        return new TextCapture(written.strip().lines().toList());
    }
}
