package rovek.server.instruments.firmware;

import java.time.Duration;
import java.util.Arrays;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.LinkException;
import rovek.link.Sha256;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.job.JobProgress;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.firmware.FirmwareShelf.FirmwareLine;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;

/**
 * Puts firmware onto an instrument: piece by piece, going on where a cut stopped it, then verified by the instrument
 * itself. Until the instrument has the image whole and its digest agrees, the old firmware runs.
 */
@Service
public class FirmwareUpdate {

    private static final int PIECE_BYTES = 64 << 10;
    private static final Duration BETWEEN_LOOKS = Duration.ofMillis(500);
    private static final int PATIENCE_FACTOR = 3;
    private static final int MORE_SECONDS = 30;
    private static final int LEAST_CHARGE = 30;

    private final FirmwareShelf shelf;
    private final Instruments instruments;
    private final Jobs jobs;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;

    FirmwareUpdate(
            FirmwareShelf shelf,
            Instruments instruments,
            Jobs jobs,
            AuditTrail audit,
            TransactionTemplate transaction) {
        this.shelf = shelf;
        this.instruments = instruments;
        this.jobs = jobs;
        this.audit = audit;
        this.transaction = transaction;
    }

    /** What stands in the audit trail. */
    private record Installed(String version, String sha256, String signedBy, String confirmedBy) {}

    /** @throws DomainProblem.Conflict where it is for another model, or nobody but who brought it has vouched for it */
    public JobView start(UUID instrumentId, UUID firmwareId) {
        FirmwareLine firmware = shelf.get(firmwareId);
        InstrumentView instrument = instruments.get(instrumentId);
        if (!firmware.model().equals(instrument.model())) {
            throw new DomainProblem.Conflict(
                    "other-model",
                    Sentence.of(
                            "instruments.firmwareOfOther", "wanted", firmware.model(), "model", instrument.model()));
        }
        if (!firmware.isVouchedFor(instrument.maker())) {
            throw new DomainProblem.Conflict(
                    "second-person",
                    Sentence.of(
                            "instruments.firmwareUnconfirmed",
                            "version",
                            firmware.version(),
                            "maker",
                            instrument.maker(),
                            "by",
                            firmware.keptBy()));
        }
        byte[] image = shelf.bytes(firmwareId);
        return jobs.start(
                "firmware",
                Sentence.of("instruments.jobFirmware", "version", firmware.version()),
                instrumentId,
                progress -> instruments.withLink(
                        instrumentId,
                        Sentence.of("instruments.purposeFirmware"),
                        (link, identity) ->
                                update(instrumentId, identity.firmware(), link, firmware, image, progress)));
    }

    private Sentence update(
            UUID instrumentId,
            String before,
            Instrument link,
            FirmwareLine firmware,
            byte[] image,
            JobProgress progress)
            throws LinkException {
        if (before.equals(firmware.version())) {
            return Sentence.of("instruments.firmwareThere", "version", before);
        }
        if (link.batteryPercent().orElse(100) < LEAST_CHARGE) {
            throw new LinkException.BatteryLow();
        }
        String sha256 = Sha256.of(image);
        link.beginFirmware(sha256, image.length);
        long at = link.firmware().bytes();
        while (at < image.length) {
            if (progress.isStopRequested()) {
                throw new LinkException.Stopped();
            }
            byte[] piece = Arrays.copyOfRange(image, (int) at, (int) Math.min(image.length, at + PIECE_BYTES));
            link.writeFirmware(at, piece);
            at += piece.length;
            progress.report(at, image.length + firmware.seconds(), Sentence.of("instruments.firmwareLoading"));
        }
        link.installFirmware();
        awaitInstalled(link, firmware, progress);
        String now = link.identity().firmware();
        if (!now.equals(firmware.version())) {
            throw new DomainProblem.Conflict(
                    "not-installed",
                    Sentence.of("instruments.firmwareNotTaken", "now", now, "wanted", firmware.version()));
        }
        transaction.executeWithoutResult(status -> audit.note(
                "update firmware",
                "instrument",
                instrumentId,
                new Installed(before, "", "", ""),
                new Installed(now, firmware.sha256(), firmware.signedBy(), firmware.confirmedBy())));
        return Sentence.of("instruments.firmwareInstalled", "version", now, "before", before);
    }

    private static void awaitInstalled(Instrument link, FirmwareLine firmware, JobProgress progress)
            throws LinkException {
        long began = System.nanoTime();
        long most = Duration.ofSeconds((long) PATIENCE_FACTOR * firmware.seconds() + MORE_SECONDS)
                .toNanos();
        while (link.firmware().isInstalling()) {
            if (System.nanoTime() - began > most) {
                throw new LinkException.TimedOut(
                        Sentence.of("instruments.firmwareInstalling"),
                        Duration.ofNanos(most).toMillis());
            }
            try {
                Thread.sleep(BETWEEN_LOOKS.toMillis());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new LinkException.Stopped();
            }
            long seconds = Duration.ofNanos(System.nanoTime() - began).toSeconds();
            progress.report(
                    firmware.size() + Math.min(seconds, firmware.seconds() - 1),
                    firmware.size() + firmware.seconds(),
                    Sentence.of("instruments.firmwareVerifying"));
        }
    }
}
