package rovek.server.instruments.firmware;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.wording.Sentence;
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
    private static final int MOST_LISTED = 50;

    private final MakersKeys keys;
    private final WorkingRoom room;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final FirmwareRepository firmwares;
    private final Clock clock;

    FirmwareShelf(
            MakersKeys keys,
            WorkingRoom room,
            AuditTrail audit,
            TransactionTemplate transaction,
            FirmwareRepository firmwares,
            Clock clock) {
        this.keys = keys;
        this.room = room;
        this.audit = audit;
        this.transaction = transaction;
        this.firmwares = firmwares;
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
        return firmwares.of(model, Limit.of(MOST_LISTED)).stream()
                .map(this::line)
                .toList();
    }

    @Transactional(readOnly = true)
    public FirmwareLine get(UUID id) {
        return firmwares
                .find(id)
                .map(this::line)
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.firmware")));
    }

    private FirmwareLine line(FirmwareRepository.Line kept) {
        String text = FirmwarePackage.signedText(kept.model(), kept.version(), kept.seconds(), kept.imageSha256());
        String signer = kept.signature() == null
                ? ""
                : keys.signer(text, kept.signature()).orElse("");
        return new FirmwareLine(
                kept.id(),
                kept.model(),
                kept.version(),
                kept.seconds(),
                kept.size(),
                kept.sha256(),
                kept.keptAt().toString(),
                kept.keptBy(),
                signer,
                kept.confirmedBy() == null ? "" : kept.confirmedBy());
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
                    "second-person", Sentence.of("instruments.ownFirmware", "version", before.version()));
        }
        if (before.confirmedBy().isBlank()) {
            firmwares.confirm(id, AuditTrail.actor(), clock.instant());
            audit.note("confirm firmware", "firmware", id, before, get(id));
        }
        return get(id);
    }

    @Transactional(readOnly = true)
    public byte[] bytes(UUID id) {
        return firmwares.bytes(id);
    }

    /** Keeps a file; the same file is kept once. @throws DomainProblem.Invalid where it is no firmware */
    public FirmwareLine keep(byte[] file) {
        FirmwarePackage firmware;
        try (WorkingRoom.Taken taken = room.take((long) TIMES_AS_LARGE * file.length)) {
            firmware = FirmwarePackage.unpack(file);
        } catch (PackageException e) {
            throw new DomainProblem.Invalid("file", e.sentence());
        }
        return transaction.execute(status -> kept(file, firmware));
    }

    private FirmwareLine kept(byte[] file, FirmwarePackage firmware) {
        String sha256 = Sha256.of(file);
        int fresh = firmwares.addUnlessThere(
                UUID.randomUUID(),
                firmware.model(),
                firmware.version(),
                firmware.seconds(),
                sha256,
                file,
                clock.instant(),
                AuditTrail.actor(),
                Sha256.of(firmware.image()),
                firmware.signature().orElse(null));
        FirmwareLine kept = firmwares.findBySum(sha256).map(this::line).orElseThrow();
        if (fresh == 1) {
            audit.note("keep firmware", "firmware", kept.id(), null, kept);
        }
        return kept;
    }
}
