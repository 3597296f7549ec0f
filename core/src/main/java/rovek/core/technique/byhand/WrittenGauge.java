package rovek.core.technique.byhand;

import rovek.core.entry.Entry;
import rovek.core.reading.Capture;
import rovek.core.reading.ValueCapture;
import rovek.core.technique.ByHand;
import rovek.core.technique.SettingValues;
import rovek.core.unit.Amount;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.unit.WrittenAmount;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** A number read off a gauge, with its unit where it is another than the usual one. */
final class WrittenGauge implements ByHand {

    @Override
    public Form form() {
        return Form.NUMBER;
    }

    @Override
    public Capture read(String written, SettingValues settings, KnownUnits units) {
        UnitOfMeasure usual = Quantity.of(settings.text("quantity")).unit();
        Amount amount = WrittenAmount.read(written, usual, units);
        if (!amount.unit().isComparableTo(usual)) {
            throw new Refused(Sentence.of(
                    "byhand.otherQuantity",
                    "quantity",
                    Entry.option(settings.text("quantity")),
                    "unit",
                    amount.unit()));
        }
        // A unit of one's own is one here only: whoever reads the package elsewhere would not know it.
        boolean isOwn = UnitCatalogue.find(amount.unit().symbol()).isEmpty();
        return new ValueCapture(isOwn ? amount.in(usual) : amount);
    }
}
