package rovek.server.instruments.calibration;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.sensor.Sensors;

/**
 * Certificates of instruments' and sensors' own calibration, as files. They are never changed; a later one stands
 * above.
 */
@Service
public class CalibrationPapers {

    private static final int MOST_BYTES = 20 << 20;

    private final AuditTrail audit;
    private final PaperRepository papers;
    private final Instruments instruments;
    private final Sensors sensors;
    private final Clock clock;

    CalibrationPapers(PaperRepository papers, Instruments instruments, Sensors sensors, AuditTrail audit, Clock clock) {
        this.audit = audit;
        this.papers = papers;
        this.instruments = instruments;
        this.sensors = sensors;
        this.clock = clock;
    }

    /** Whose calibration a paper certifies. */
    enum Of {
        INSTRUMENT,
        SENSOR
    }

    /** A paper in the list. */
    public record PaperLine(UUID id, String fileName, String sha256, long size, String keptAt, String keptBy) {}

    /** A paper as a file. */
    record PaperFile(String name, String mediaType, byte[] bytes) {}

    @Transactional(readOnly = true)
    public List<PaperLine> list(Of of, UUID subject) {
        return (of == Of.INSTRUMENT ? papers.ofInstrument(subject) : papers.ofSensor(subject))
                .stream()
                        .map(line -> new PaperLine(
                                line.id(),
                                line.fileName(),
                                line.sha256(),
                                line.size(),
                                line.keptAt().toString(),
                                line.keptBy()))
                        .toList();
    }

    /** @throws DomainProblem.Invalid where it is no PDF, PNG or JPEG file, or too large */
    @Transactional
    public List<PaperLine> keep(Of of, UUID subject, String fileName, byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            throw new DomainProblem.Invalid(
                    "file",
                    Sentence.of("instruments.paperTooLarge", "size", bytes.length / 1e6, "most", MOST_BYTES >> 20));
        }
        String mediaType = mediaType(bytes)
                .orElseThrow(() -> new DomainProblem.Invalid("file", Sentence.of("instruments.paperKind")));
        requireThere(of, subject);
        UUID id = UUID.randomUUID();
        String name = fileName.replaceAll("^.*[/\\\\]", "")
                .replaceAll("\\p{Cntrl}", "")
                .strip();
        PaperEntity paper = new PaperEntity();
        paper.id = UUID.randomUUID();
        paper.instrumentId = of == Of.INSTRUMENT ? subject : null;
        paper.sensorId = of == Of.SENSOR ? subject : null;
        paper.fileName = name.isEmpty() ? "certificate" : name.substring(0, Math.min(120, name.length()));
        paper.mediaType = mediaType;
        paper.sha256 = Sha256.of(bytes);
        paper.bytes = bytes;
        paper.keptAt = clock.instant();
        paper.keptBy = AuditTrail.actor();
        papers.add(paper);
        List<PaperLine> now = list(of, subject);
        audit.note(
                "keep calibration certificate",
                of.name().toLowerCase(java.util.Locale.ROOT),
                subject,
                null,
                now.get(0));
        return now;
    }

    private void requireThere(Of of, UUID subject) {
        if (of == Of.INSTRUMENT) {
            instruments.get(subject);
        } else {
            sensors.requireThere(subject);
        }
    }

    private static Optional<String> mediaType(byte[] bytes) {
        String start = new String(bytes, 0, Math.min(bytes.length, 5), StandardCharsets.ISO_8859_1);
        if (start.startsWith("%PDF-")) {
            return Optional.of("application/pdf");
        }
        if (start.startsWith("\u0089PNG")) {
            return Optional.of("image/png");
        }
        return start.startsWith("\u00ff\u00d8\u00ff") ? Optional.of("image/jpeg") : Optional.empty();
    }

    @Transactional(readOnly = true)
    public PaperFile file(UUID id) {
        return papers.findById(id)
                .map(paper -> new PaperFile(paper.fileName, paper.mediaType, paper.bytes))
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.paper")));
    }
}
