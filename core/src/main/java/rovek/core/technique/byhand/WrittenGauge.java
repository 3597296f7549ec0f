package rovek.core.technique.byhand;

import rovek.core.reading.Capture;
import rovek.core.reading.ValueCapture;
import rovek.core.technique.ByHand;
import rovek.core.technique.SettingValues;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.unit.WrittenAmount;

/** A number read off a gauge, with its unit where it is another than the usual one. */
final class WrittenGauge implements ByHand {

    @Override
    public Form form() {
        return Form.NUMBER;
    }

    @Override
    public Capture read(String written, SettingValues settings) {
        UnitOfMeasure usual = Quantity.of(settings.text("quantity")).unit();
        Amount amount = WrittenAmount.read(written, usual);
        if (!amount.unit().isComparableTo(usual)) {
            throw new IllegalArgumentException(
                    "A %s is not in %s.".formatted(settings.text("quantity"), amount.unit()));
        }
        return new ValueCapture(amount);
    }
}
