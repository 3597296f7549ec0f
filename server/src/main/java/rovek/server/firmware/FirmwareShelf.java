package rovek.server.firmware;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.link.Sha256;
import rovek.link.packet.FirmwarePackage;
import rovek.link.packet.PackageException;
import rovek.server.audit.AuditTrail;
import rovek.server.problem.DomainProblem;

/** Firmware that was brought as files, by the model it is for. */
@Service
public class FirmwareShelf {

    private final AuditTrail audit;
    private final JdbcClient db;
    private final Clock clock;

    FirmwareShelf(AuditTrail audit, JdbcClient db, Clock clock) {
        this.audit = audit;
        this.db = db;
        this.clock = clock;
    }

    /** One version for one model. */
    public record FirmwareLine(UUID id, String model, String version, int seconds, long size, String sha256, String keptAt, String keptBy) {}

    /** The newest first. */
    @Transactional(readOnly = true)
    public List<FirmwareLine> of(String model) {
        return lines("WHERE model = ? ORDER BY kept_at DESC", model);
    }

    @Transactional(readOnly = true)
    public FirmwareLine get(UUID id) {
        return lines("WHERE id = ?", id).stream().findFirst().orElseThrow(() -> new DomainProblem.NotFound("The firmware"));
    }

    private List<FirmwareLine> lines(String where, Object parameter) {
        return db.sql("SELECT id, model, version, seconds, length(bytes), sha256, kept_at, kept_by FROM firmware " + where)
                .param(parameter)
                .query((row, n) -> new FirmwareLine(
                        row.getObject(1, UUID.class), row.getString(2), row.getString(3), row.getInt(4), row.getLong(5), row.getString(6),
                        row.getObject(7, OffsetDateTime.class).toInstant().toString(), row.getString(8)))
                .list();
    }

    @Transactional(readOnly = true)
    public byte[] bytes(UUID id) {
        return db.sql("SELECT bytes FROM firmware WHERE id = ?").param(id).query(byte[].class).single();
    }

    /** Keeps a file; the same file is kept once. @throws DomainProblem.Invalid where it is no firmware */
    @Transactional
    public FirmwareLine keep(byte[] file) {
        FirmwarePackage firmware;
        try {
            firmware = FirmwarePackage.unpack(file);
        } catch (PackageException e) {
            throw new DomainProblem.Invalid("file", e.getMessage());
        }
        String sha256 = Sha256.of(file);
        int fresh = db.sql("""
                INSERT INTO firmware (id, model, version, seconds, sha256, bytes, kept_at, kept_by) VALUES (?, ?, ?, ?, ?, ?, ?, ?)
                ON CONFLICT (sha256) DO NOTHING""")
                .params(
                        UUID.randomUUID(), firmware.model(), firmware.version(), firmware.seconds(), sha256, file,
                        clock.instant().atOffset(ZoneOffset.UTC), AuditTrail.actor())
                .update();
        FirmwareLine kept = lines("WHERE sha256 = ?", sha256).get(0);
        if (fresh == 1) {
            audit.note("keep firmware", "firmware", kept.id(), null, kept);
        }
        return kept;
    }
}
