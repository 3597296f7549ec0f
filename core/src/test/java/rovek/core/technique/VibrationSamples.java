package rovek.core.technique;

import java.util.HashMap;
import java.util.Map;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.vibration.Vibration;

/** A record of one second, and what is made of it. */
abstract class VibrationSamples {

    static final int N = 16_384;
    static final double RATE = 16_384;
    /**
     * Relative error of a tone of 64 periods or more, from windowing before integrating; see the table in docs/methods.
     */
    static final double WINDOWED = 1e-6;
    /** Of a crest between the points that a signal is taken back to. */
    static final double CREST = 3e-4;

    final Vibration vibration = new Vibration();

    SettingValues settings(String... pairs) {
        Map<String, String> given = new HashMap<>(Map.of("rateHz", "16384"));
        for (int i = 0; i < pairs.length; i += 2) {
            given.put(pairs[i], pairs[i + 1]);
        }
        return vibration.settingsOf(given);
    }

    double value(Analysis analysis, String id) {
        return analysis.result(id).orElseThrow().value().value();
    }

    Analysis ofAcceleration(double[] samples, SettingValues settings) {
        return vibration.analyse(WaveformCapture.ofAcceleration(samples, RATE), settings);
    }
}
