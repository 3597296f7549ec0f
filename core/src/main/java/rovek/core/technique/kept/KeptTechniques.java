package rovek.core.technique.kept;

import java.util.List;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TextCapture;
import rovek.core.technique.Technique;

/** The techniques that are kept as taken. */
public final class KeptTechniques {

    static final String REMARK = "remark";

    private KeptTechniques() {}

    public static List<Technique> all() {
        return List.of(
                new KeptTechnique("loop", "Loop calibration", "Loop calibration", TableCapture.class, 4_096, 300),
                new KeptTechnique("sheet", "Parameter sheet", "Parameter sheet", TableCapture.class, 4_096, 20),
                new KeptTechnique("battery", "Battery string", "Cells of the string", TableCapture.class, 8_192, 600),
                new KeptTechnique("leak", "Air leak", "Air leak", TableCapture.class, 500_000, 60),
                new KeptTechnique("codes", "Fault codes", "Fault codes", TextCapture.class, 4_096, 30),
                new KeptTechnique(REMARK, "Remark", "Remark", TextCapture.class, 1_024, 20),
                new KeptTechnique("screen", "Captured screen", "Captured screen", PictureCapture.class, 200_000, 5));
    }
}
