package rovek.core.technique.vibration;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rovek.core.reading.WaveformCapture;
import rovek.core.signal.Averaging;
import rovek.core.signal.Band;
import rovek.core.signal.Spectrum;
import rovek.core.technique.Characteristic;
import rovek.core.technique.Curve;
import rovek.core.technique.Finding;
import rovek.core.unit.UnitCatalogue;

/** What there is to draw of a vibration, and what its spectra show of the machine. Safe for many threads. */
final class VibrationCurves {

    static final String SPECTRUM = "spectrum";
    static final String WAVEFORM = "waveform";
    private static final String ENVELOPE = "envelope";
    private static final String VELOCITY = "velocity";
    private static final double VELOCITY_FROM_HZ = 10;
    private static final double VELOCITY_TO_HZ = 1_000;

    private final VibrationLook look;

    VibrationCurves(VibrationLook look) {
        this.look = look;
    }

    /**
     * Besides its own spectrum the envelope of what rings, and the velocity where another quantity is judged.
     *
     * @param waveform that nothing stands in the way of
     */
    List<Curve> of(WaveformCapture waveform, VibrationSettings settings, LookedAt looked) {
        VibrationQuantity quantity = looked.quantity();
        boolean isIntegrated = quantity != VibrationQuantity.ACCELERATION;
        Band whole = new Band(settings.band().lowHz(), VibrationSettings.usableHz(waveform.rateHz()));
        Spectrum spectrum = look.spectrum(
                waveform, looked.spectrum(isIntegrated ? settings.band().lowHz() : 0));
        List<Curve.CurveBand> bands = quantity == settings.measure() ? VibrationResults.bands(settings) : List.of();
        List<Curve> curves = new ArrayList<>();
        curves.add(new Curve.Lines(
                SPECTRUM,
                looked.saysOfSpectrum(),
                spectrum.stepHz(),
                spectrum.rms(),
                quantity.unit(),
                settings.band().highHz(),
                bands));
        curves.add(look.overTime(WAVEFORM, waveform, quantity, whole));
        if (!waveform.isOverloaded()) {
            Spectrum envelope = look.envelope(waveform, looked.ringing());
            curves.add(new Curve.Lines(
                    ENVELOPE,
                    looked.saysOfEnvelope(),
                    envelope.stepHz(),
                    envelope.rms(),
                    UnitCatalogue.METRE_PER_SQUARE_SECOND,
                    VELOCITY_TO_HZ,
                    List.of()));
        }
        if (settings.measure() != VibrationQuantity.VELOCITY) {
            machineBand(waveform, settings)
                    .map(band -> velocity(waveform, settings, band))
                    .ifPresent(velocity -> curves.add(new Curve.Lines(
                            VELOCITY,
                            LookedAt.saysOf(velocity.window()),
                            velocity.stepHz(),
                            velocity.rms(),
                            UnitCatalogue.MILLIMETRE_PER_SECOND,
                            VELOCITY_TO_HZ,
                            List.of())));
        }
        return curves;
    }

    /** @return none where the capture is too short or overloaded, and shows nothing of the machine */
    List<Finding> findings(WaveformCapture waveform, VibrationSettings settings, List<Characteristic> characteristics) {
        String velocityCurve = settings.measure() == VibrationQuantity.VELOCITY ? SPECTRUM : VELOCITY;
        return machineBand(waveform, settings)
                .map(band -> Diagnosis.of(
                        velocity(waveform, settings, band),
                        velocityCurve,
                        look.ringingWithin(waveform, VibrationLook.ringing(waveform.rateHz())),
                        ENVELOPE,
                        characteristics,
                        band))
                .orElse(List.of());
    }

    private Spectrum velocity(WaveformCapture waveform, VibrationSettings settings, Band band) {
        return look.spectrum(
                waveform,
                new VibrationLook.Manner(
                        VibrationQuantity.VELOCITY, settings.window(), 1, Averaging.LINEAR, band.lowHz()));
    }

    /** Where the velocity shows the machine; empty where the capture is too short or overloaded for that. */
    private static Optional<Band> machineBand(WaveformCapture waveform, VibrationSettings settings) {
        double low = settings.measure() == VibrationQuantity.VELOCITY
                ? settings.band().lowHz()
                : VELOCITY_FROM_HZ;
        double high = Math.min(VELOCITY_TO_HZ, VibrationSettings.usableHz(waveform.rateHz()));
        boolean isShown =
                !waveform.isOverloaded() && waveform.durationSeconds() * low >= Vibration.LEAST_PERIODS && high > low;
        return isShown ? Optional.of(new Band(low, high)) : Optional.empty();
    }
}
