package rovek.server.instruments.firmware;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.link.Sha256;
import rovek.link.packet.FirmwarePackage;
import rovek.link.packet.PackageException;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.room.WorkingRoom;

/** Firmware that was brought as files, by the model it is for. */
@Service
public class FirmwareShelf {

    private static final int TIMES_AS_LARGE = 4;

    private final MakersKeys keys;
    private final WorkingRoom room;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final JdbcClient db;
    private final Clock clock;

    FirmwareShelf(
            MakersKeys keys,
            WorkingRoom room,
            AuditTrail audit,
            TransactionTemplate transaction,
            JdbcClient db,
            Clock clock) {
        this.keys = keys;
        this.room = room;
        this.audit = audit;
        this.transaction = transaction;
        this.db = db;
        this.clock = clock;
    }

    /**
     * One version for one model.
     *
     * @param sha256 of the file, in hexadecimal
     * @param signedBy the maker whose key it is signed with; blank where none of those that are kept now signed it
     * @param confirmedBy another person than the one who brought it; blank for nobody yet
     */
    public record FirmwareLine(
            UUID id,
            String model,
            String version,
            int seconds,
            long size,
            String sha256,
            String keptAt,
            String keptBy,
            String signedBy,
            String confirmedBy) {

        /** Whether it may be put onto an instrument of that maker's. */
        public boolean isVouchedFor(String maker) {
            return !confirmedBy.isBlank() || (!signedBy.isBlank() && signedBy.equalsIgnoreCase(maker));
        }
    }

    /** The newest first. */
    @Transactional(readOnly = true)
    public List<FirmwareLine> of(String model) {
        return lines("WHERE model = ? ORDER BY kept_at DESC LIMIT 50", model);
    }

    @Transactional(readOnly = true)
    public FirmwareLine get(UUID id) {
        return lines("WHERE id = ?", id).stream()
                .findFirst()
                .orElseThrow(() -> new DomainProblem.NotFound("The firmware"));
    }

    private List<FirmwareLine> lines(String where, Object parameter) {
        return db.sql("SELECT id, model, version, seconds, length(bytes), sha256, kept_at, kept_by, "
                        + "image_sha256, signature, coalesce(confirmed_by, '') FROM firmware " + where)
                .param(parameter)
                .query((row, n) -> new FirmwareLine(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getInt(4),
                        row.getLong(5),
                        row.getString(6),
                        row.getObject(7, OffsetDateTime.class).toInstant().toString(),
                        row.getString(8),
                        signer(row),
                        row.getString(11)))
                .list();
    }

    private String signer(ResultSet row) throws SQLException {
        byte[] signature = row.getBytes(10);
        String text = FirmwarePackage.signedText(row.getString(2), row.getString(3), row.getInt(4), row.getString(9));
        return signature == null ? "" : keys.signer(text, signature).orElse("");
    }

    /**
     * Somebody else has compared it with what its maker publishes.
     *
     * @throws DomainProblem.Conflict where that is who brought it
     */
    @Transactional
    public FirmwareLine confirm(UUID id) {
        FirmwareLine before = get(id);
        if (before.keptBy().equals(AuditTrail.actor())) {
            throw new DomainProblem.Conflict(
                    "second-person",
                    "You brought firmware %s yourself: another person confirms it.".formatted(before.version()));
        }
        if (before.confirmedBy().isBlank()) {
            db.sql("UPDATE firmware SET confirmed_by = ?, confirmed_at = ? WHERE id = ? AND confirmed_by IS NULL")
                    .params(AuditTrail.actor(), clock.instant().atOffset(ZoneOffset.UTC), id)
                    .update();
            audit.note("confirm firmware", "firmware", id, before, get(id));
        }
        return get(id);
    }

    @Transactional(readOnly = true)
    public byte[] bytes(UUID id) {
        return db.sql("SELECT bytes FROM firmware WHERE id = ?")
                .param(id)
                .query(byte[].class)
                .single();
    }

    /** Keeps a file; the same file is kept once. @throws DomainProblem.Invalid where it is no firmware */
    public FirmwareLine keep(byte[] file) {
        FirmwarePackage firmware;
        try (WorkingRoom.Taken taken = room.take((long) TIMES_AS_LARGE * file.length)) {
            firmware = FirmwarePackage.unpack(file);
        } catch (PackageException e) {
            throw new DomainProblem.Invalid("file", e.getMessage());
        }
        return transaction.execute(status -> kept(file, firmware));
    }

    private FirmwareLine kept(byte[] file, FirmwarePackage firmware) {
        String sha256 = Sha256.of(file);
        int fresh = db.sql("""
                INSERT INTO firmware (id, model, version, seconds, sha256, bytes, kept_at, kept_by, image_sha256, signature)
                    VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                ON CONFLICT (sha256) DO NOTHING""")
                .params(
                        UUID.randomUUID(),
                        firmware.model(),
                        firmware.version(),
                        firmware.seconds(),
                        sha256,
                        file,
                        clock.instant().atOffset(ZoneOffset.UTC),
                        AuditTrail.actor(),
                        Sha256.of(firmware.image()),
                        firmware.signature().orElse(null))
                .update();
        FirmwareLine kept = lines("WHERE sha256 = ?", sha256).get(0);
        if (fresh == 1) {
            audit.note("keep firmware", "firmware", kept.id(), null, kept);
        }
        return kept;
    }
}
