package rovek.core.technique.vibration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rovek.core.technique.Curve;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.technique.vibration.VibrationSettings.NamedBand;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;

/**
 * What a vibration reading is reduced to: RMS and peak of the quantity that is looked at within its band, of an
 * acceleration crest and kurtosis too, and the RMS of each narrower band that the settings name. A limit on such a band
 * is an alarm on the spectrum.
 */
final class VibrationResults {

    static final ResultDefinition CREST =
            definition("acceleration.crest", "acceleration crest factor", "crest", UnitCatalogue.ONE);
    static final ResultDefinition KURTOSIS =
            definition("acceleration.kurtosis", "acceleration kurtosis", "kurtosis", UnitCatalogue.ONE);

    private static final String BAND = ".band.";

    private VibrationResults() {}

    private static ResultDefinition definition(String id, String name, String statistic, UnitOfMeasure unit) {
        return new ResultDefinition(id, name, statistic, unit, Sense.HIGHER_IS_WORSE);
    }

    static ResultDefinition rms(VibrationQuantity quantity) {
        return definition(quantity.word() + ".rms", quantity.word() + " RMS", "RMS", quantity.unit());
    }

    static ResultDefinition peak(VibrationQuantity quantity) {
        return definition(quantity.word() + ".peak", quantity.word() + " peak", "peak", quantity.unit());
    }

    static ResultDefinition band(VibrationQuantity quantity, String name) {
        return definition(
                quantity.word() + BAND + name, "%s in \"%s\"".formatted(quantity.word(), name), "RMS", quantity.unit());
    }

    /** The leading one first. */
    static List<ResultDefinition> of(VibrationSettings settings) {
        VibrationQuantity quantity = settings.measure();
        List<ResultDefinition> results = new ArrayList<>(ofQuantity(quantity));
        settings.bands().stream()
                .map(NamedBand::name)
                .map(name -> band(quantity, name))
                .forEach(results::add);
        return List.copyOf(results);
    }

    /** Where the named bands lie in the spectrum of what is judged. */
    static List<Curve.CurveBand> bands(VibrationSettings settings) {
        return settings.bands().stream()
                .map(named -> new Curve.CurveBand(
                        named.name(),
                        named.band().lowHz(),
                        named.band().highHz(),
                        band(settings.measure(), named.name()).id()))
                .toList();
    }

    private static List<ResultDefinition> ofQuantity(VibrationQuantity quantity) {
        return quantity == VibrationQuantity.ACCELERATION
                ? List.of(rms(quantity), peak(quantity), CREST, KURTOSIS)
                : List.of(rms(quantity), peak(quantity));
    }

    /** All but those of bands, whose names are anybody's. */
    static List<ResultDefinition> usual() {
        return Stream.of(VibrationQuantity.VELOCITY, VibrationQuantity.ACCELERATION, VibrationQuantity.DISPLACEMENT)
                .flatMap(quantity -> ofQuantity(quantity).stream())
                .toList();
    }

    /** The one of a band, by its id; empty where it is none's. */
    static Optional<ResultDefinition> ofBand(String id) {
        return Arrays.stream(VibrationQuantity.values())
                .filter(quantity -> id.startsWith(quantity.word() + BAND))
                .map(quantity -> band(quantity, id.substring((quantity.word() + BAND).length())))
                .findFirst();
    }
}
