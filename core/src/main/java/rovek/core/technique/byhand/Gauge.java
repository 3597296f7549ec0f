package rovek.core.technique.byhand;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import rovek.core.entry.Entry;
import rovek.core.reading.Capture;
import rovek.core.reading.ValueCapture;
import rovek.core.technique.Analysis;
import rovek.core.technique.ByHand;
import rovek.core.technique.Result;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;
import rovek.core.technique.StopDemand;
import rovek.core.technique.Technique;
import rovek.core.unit.Amount;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** One number read off a gauge, by a person or by an instrument that gives nothing but the number. */
public final class Gauge implements Technique {

    private static final String LOWER = "lower";
    private static final int BYTES = 512;

    @Override
    public String id() {
        return "gauge";
    }

    @Override
    public String name() {
        return "Gauge value";
    }

    @Override
    public List<SettingDefinition> settings() {
        return List.of(
                new SettingDefinition(
                        "quantity", "Quantity", "", Quantity.PRESSURE.word(), new Entry.Choice(Quantity.words())),
                new SettingDefinition("worse", "Worse when", "", "higher", new Entry.Choice(List.of("higher", LOWER))));
    }

    @Override
    public List<Preset> presets() {
        return Arrays.stream(Quantity.values())
                .map(quantity -> new Preset(checkName(quantity), Map.of("quantity", quantity.word())))
                .toList();
    }

    @Override
    public List<ResultDefinition> results(SettingValues settings) {
        return List.of(result(
                Quantity.of(settings.text("quantity")), settings.text("worse").equals(LOWER)));
    }

    @Override
    public List<ResultDefinition> everyResult() {
        return Arrays.stream(Quantity.values())
                .flatMap(quantity -> Stream.of(result(quantity, false), result(quantity, true)))
                .toList();
    }

    private static ResultDefinition result(Quantity quantity, boolean lowerIsWorse) {
        return new ResultDefinition(
                quantity.word() + (lowerIsWorse ? ".low" : ""),
                quantity.word(),
                "",
                quantity.unit(),
                lowerIsWorse ? Sense.LOWER_IS_WORSE : Sense.HIGHER_IS_WORSE);
    }

    @Override
    public String checkName(SettingValues settings) {
        return checkName(Quantity.of(settings.text("quantity")));
    }

    private static String checkName(Quantity quantity) {
        return quantity.name().charAt(0) + quantity.word().substring(1);
    }

    @Override
    public StopDemand demand(SettingValues settings) {
        return new StopDemand(BYTES, 5, Set.of());
    }

    @Override
    public Optional<ByHand> byHand() {
        return Optional.of(new WrittenGauge());
    }

    /** The quantity that is measured in the value's unit. */
    @Override
    public Map<String, String> suggestedBy(Capture capture) {
        return capture instanceof ValueCapture given
                ? Quantity.measuredIn(given.value().unit())
                        .map(quantity -> Map.of("quantity", quantity.word()))
                        .orElse(Map.of())
                : Map.of();
    }

    @Override
    public Analysis analyse(Capture capture, SettingValues settings) {
        ResultDefinition definition = results(settings).get(0);
        if (!(capture instanceof ValueCapture given)) {
            throw new Refused(Sentence.of("byhand.noGauge"));
        }
        if (!given.value().unit().isComparableTo(definition.unit())) {
            throw new Refused(Sentence.of(
                    "byhand.otherQuantity",
                    "quantity",
                    definition.name(),
                    "unit",
                    given.value().unit().symbol()));
        }
        double value = given.value().unit().convert(given.value().value(), definition.unit());
        return new Analysis(
                List.of(new Result(definition, new Amount(value, definition.unit()))), List.of(), List.of());
    }
}
