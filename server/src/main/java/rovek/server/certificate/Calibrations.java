package rovek.server.certificate;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rovek.core.certificate.CertificateContent;
import rovek.core.technique.Techniques;
import rovek.server.reading.ReadingDesk;
import rovek.server.sensor.SensorView;
import rovek.server.sensor.Sensors;
import rovek.server.visit.Visits;
import rovek.server.visit.Visits.VisitSheet;

/** Whether what a visit was measured with was calibrated on that day. */
@Component
class Calibrations {

    private final Visits visits;
    private final Sensors sensors;
    private final ReadingDesk desk;
    private final Techniques techniques;

    Calibrations(Visits visits, Sensors sensors, ReadingDesk desk, Techniques techniques) {
        this.visits = visits;
        this.sensors = sensors;
        this.desk = desk;
        this.techniques = techniques;
    }

    /** Instruments and sensors whose calibration had run out on the day of the visit, each as a sentence. */
    List<String> overdue(CertificateContent content, UUID visitId, List<UUID> checks) {
        VisitSheet sheet = visits.sheet(visitId);
        List<String> overdue = new ArrayList<>(content.overdue());
        Set<String> used = new LinkedHashSet<>();
        sheet.rows().stream()
                .filter(row -> row.readingId() != null && checks.contains(row.checkId()))
                .map(row -> desk.takenWith(row.readingId()))
                .forEach(taken -> techniques.find(taken.technique())
                        .flatMap(technique -> technique.sensorUse())
                        .ifPresent(use -> used.add(taken.settings().getOrDefault(use.nameKey(), ""))));
        for (SensorView sensor : sensors.list()) {
            if (used.contains(sensor.tag()) && sensor.dueOn() != null && sensor.dueOn().isBefore(content.visitOn())) {
                overdue.add("The calibration of sensor %s had run out on the day of the visit.".formatted(sensor.tag()));
            }
        }
        return overdue;
    }
}
