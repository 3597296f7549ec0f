package rovek.server.instruments.calibration;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.link.Sha256;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;

/**
 * Certificates of instruments' and sensors' own calibration, as files. They are never changed; a later one stands
 * above.
 */
@Service
public class CalibrationPapers {

    private static final int MOST_BYTES = 20 << 20;

    private final AuditTrail audit;
    private final JdbcClient db;
    private final Clock clock;

    CalibrationPapers(AuditTrail audit, JdbcClient db, Clock clock) {
        this.audit = audit;
        this.db = db;
        this.clock = clock;
    }

    /** Whose calibration a paper certifies. */
    enum Of {
        INSTRUMENT("instrument_id"),
        SENSOR("sensor_id");

        private final String column;

        Of(String column) {
            this.column = column;
        }
    }

    /** A paper in the list. */
    public record PaperLine(UUID id, String fileName, String sha256, long size, String keptAt, String keptBy) {}

    /** A paper as a file. */
    record PaperFile(String name, String mediaType, byte[] bytes) {}

    @Transactional(readOnly = true)
    public List<PaperLine> list(Of of, UUID subject) {
        return db.sql(("SELECT id, file_name, sha256, length(bytes), kept_at, kept_by FROM calibration_paper "
                                + "WHERE %s = ? ORDER BY kept_at DESC")
                        .formatted(of.column))
                .param(subject)
                .query((row, n) -> new PaperLine(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getLong(4),
                        row.getObject(5, OffsetDateTime.class).toInstant().toString(),
                        row.getString(6)))
                .list();
    }

    /** @throws DomainProblem.Invalid where it is no PDF, PNG or JPEG file, or too large */
    @Transactional
    public List<PaperLine> keep(Of of, UUID subject, String fileName, byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            throw new DomainProblem.Invalid(
                    "file",
                    "The paper has %.1f MB; up to %d MB are kept.".formatted(bytes.length / 1e6, MOST_BYTES >> 20));
        }
        String mediaType = mediaType(bytes)
                .orElseThrow(() ->
                        new DomainProblem.Invalid("file", "A calibration certificate is a PDF, PNG or JPEG file."));
        requireThere(of, subject);
        UUID id = UUID.randomUUID();
        String name = fileName.replaceAll("^.*[/\\\\]", "")
                .replaceAll("\\p{Cntrl}", "")
                .strip();
        db.sql(("INSERT INTO calibration_paper (id, %s, file_name, media_type, sha256, bytes, kept_at, "
                                + "kept_by) VALUES (?, ?, ?, ?, ?, ?, ?, ?)")
                        .formatted(of.column))
                .params(Arrays.asList(
                        id,
                        subject,
                        name.isEmpty() ? "certificate" : name.substring(0, Math.min(120, name.length())),
                        mediaType,
                        Sha256.of(bytes),
                        bytes,
                        clock.instant().atOffset(ZoneOffset.UTC),
                        AuditTrail.actor()))
                .update();
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
        String table = of == Of.INSTRUMENT ? "instrument" : "sensor";
        if (db.sql("SELECT count(*) FROM %s WHERE id = ?".formatted(table))
                        .param(subject)
                        .query(Integer.class)
                        .single()
                == 0) {
            throw new DomainProblem.NotFound("The " + table);
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
        return db.sql("SELECT file_name, media_type, bytes FROM calibration_paper WHERE id = ?")
                .param(id)
                .query((row, n) -> new PaperFile(row.getString(1), row.getString(2), row.getBytes(3)))
                .optional()
                .orElseThrow(() -> new DomainProblem.NotFound("The paper"));
    }
}
