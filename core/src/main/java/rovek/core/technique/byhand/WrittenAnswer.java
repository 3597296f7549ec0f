package rovek.core.technique.byhand;

import java.util.Locale;
import rovek.core.reading.Capture;
import rovek.core.reading.ValueCapture;
import rovek.core.technique.ByHand;
import rovek.core.technique.SettingValues;
import rovek.core.unit.Amount;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** Yes or no. */
final class WrittenAnswer implements ByHand {

    @Override
    public Form form() {
        return Form.YES_OR_NO;
    }

    @Override
    public Capture read(String written, SettingValues settings, KnownUnits units) {
        return switch (written.strip().toLowerCase(Locale.ROOT)) {
            case "yes", "y", "1" -> answer(1);
            case "no", "n", "0" -> answer(0);
            default -> throw new Refused(Sentence.of("byhand.yesOrNo", "written", written.strip()));
        };
    }

    private static Capture answer(double value) {
        return new ValueCapture(new Amount(value, UnitCatalogue.ONE));
    }
}
