package rovek.core.technique.vibration;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import rovek.core.entry.Entry;
import rovek.core.signal.Averaging;
import rovek.core.signal.Band;
import rovek.core.signal.Window;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;
import rovek.core.wording.Sentence;

/**
 * How somebody wants to see a vibration.
 *
 * @param quantity of spectrum and waveform
 * @param stretches averaged, half overlapping; 1 for none
 * @param ringing the band whose envelope is shown
 */
record LookedAt(VibrationQuantity quantity, Window window, int stretches, Averaging averaging, Band ringing) {

    private static final String AS_CHECKED = "as checked";
    private static final String QUANTITY = "quantity";
    private static final String WINDOW = "window";
    private static final String STRETCHES = "averages";
    private static final String AVERAGING = "averaging";
    private static final String RINGING = "envelopeOf";
    private static final String PEAK_HOLD = "peak hold";
    private static final String MEAN = "mean";
    private static final String USUAL = "1–10 kHz";

    static final List<SettingDefinition> DEFINITIONS = List.of(
            new SettingDefinition(
                    QUANTITY,
                    "Quantity",
                    "",
                    AS_CHECKED,
                    new Entry.Choice(List.of(AS_CHECKED, "acceleration", "velocity", "displacement"))),
            new SettingDefinition(
                    WINDOW,
                    "Window",
                    "",
                    AS_CHECKED,
                    new Entry.Choice(List.of(AS_CHECKED, "Hann", "flat-top", "rectangular"))),
            new SettingDefinition(
                    STRETCHES, "Averages", "", "1", new Entry.Choice(List.of("1", "2", "4", "8", "16", "32"))),
            new SettingDefinition(AVERAGING, "Averaged by", "", MEAN, new Entry.Choice(List.of(MEAN, PEAK_HOLD))),
            new SettingDefinition(
                    RINGING,
                    "Envelope of",
                    "",
                    USUAL,
                    new Entry.Choice(List.of(USUAL, "0.5–2 kHz", "1–3 kHz", "2–6 kHz", "5–10 kHz", "10–20 kHz"))));

    static LookedAt of(SettingValues look, VibrationSettings settings, double rateHz) {
        String quantity = look.text(QUANTITY);
        String window = look.text(WINDOW);
        return new LookedAt(
                quantity.equals(AS_CHECKED) ? settings.measure() : VibrationQuantity.of(quantity),
                window.equals(AS_CHECKED) ? settings.window() : requireNonNull(VibrationSettings.WINDOWS.get(window)),
                (int) look.number(STRETCHES),
                look.text(AVERAGING).equals(PEAK_HOLD) ? Averaging.PEAK_HOLD : Averaging.LINEAR,
                ringing(look.text(RINGING), rateHz));
    }

    /** A band that the sampling does not show is looked at as usual. */
    private static Band ringing(String said, double rateHz) {
        if (said.equals(USUAL)) {
            return VibrationLook.ringing(rateHz);
        }
        String[] ends = said.replace(" kHz", "").split("–");
        Band wanted = new Band(1000 * Double.parseDouble(ends[0]), 1000 * Double.parseDouble(ends[1]));
        return wanted.highHz() <= VibrationSettings.usableHz(rateHz) * (1 + 1e-9)
                ? wanted
                : VibrationLook.ringing(rateHz);
    }

    VibrationLook.Manner spectrum(double fromHz) {
        return new VibrationLook.Manner(quantity, window, stretches, averaging, fromHz);
    }

    /** @return how a spectrum over one stretch was made */
    static Sentence saysOf(Window window) {
        return VibrationSettings.WINDOWS.entrySet().stream()
                .filter(one -> one.getValue() == window)
                .map(one -> Entry.option(one.getKey()))
                .findFirst()
                .orElseThrow();
    }

    Sentence saysOfSpectrum() {
        return stretches == 1
                ? saysOf(window)
                : Sentence.of(
                        "vibration.averaged",
                        "window",
                        saysOf(window),
                        "averaging",
                        Entry.option(averaging == Averaging.PEAK_HOLD ? PEAK_HOLD : MEAN),
                        "stretches",
                        stretches);
    }

    Sentence saysOfEnvelope() {
        return Sentence.of("vibration.envelopeOf", "low", kilo(ringing.lowHz()), "high", kilo(ringing.highHz()));
    }

    private static BigDecimal kilo(double hz) {
        return BigDecimal.valueOf(hz / 1000).round(new MathContext(3)).stripTrailingZeros();
    }
}
