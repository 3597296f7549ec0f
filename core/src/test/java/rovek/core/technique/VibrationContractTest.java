package rovek.core.technique;

import java.util.Random;
import rovek.core.reading.Capture;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.vibration.Vibration;

class VibrationContractTest extends TechniqueContract {

    private final Vibration vibration = new Vibration();

    @Override
    Technique technique() {
        return vibration;
    }

    @Override
    Capture soundCapture(SettingValues settings) {
        int samples = (int) (Integer.parseInt(settings.text("lines")) * 2.56);
        return WaveformCapture.ofAcceleration(
                new Random(1).doubles(samples, -1, 1).toArray(), settings.number("rateHz"));
    }
}
