package rovek.server.intake.transfer;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import rovek.core.reading.ClockCorrection;
import rovek.core.reading.ClockState;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;
import rovek.link.packet.ReadingsFile;
import rovek.server.base.job.JobProgress;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.judging.original.Originals;
import rovek.server.judging.original.Spool;

/**
 * Takes what an instrument holds: piece by piece, each kept as it arrives, so that a broken read-back goes on where it
 * stopped; then the digest is compared, the original kept, and in one transaction its readings made. Nothing is removed
 * from the instrument.
 */
@Service
public class ReadBack {

    private final Instruments instruments;
    private final Transfers transfers;
    private final Originals originals;
    private final PieceFetch pieces;
    private final OriginalIntake intake;
    private final Jobs jobs;
    private final Clock clock;

    ReadBack(
            Instruments instruments,
            Transfers transfers,
            Originals originals,
            PieceFetch pieces,
            OriginalIntake intake,
            Jobs jobs,
            Clock clock) {
        this.instruments = instruments;
        this.transfers = transfers;
        this.originals = originals;
        this.pieces = pieces;
        this.intake = intake;
        this.jobs = jobs;
        this.clock = clock;
    }

    /**
     * Starts taking files.
     *
     * @param names files to take; empty for all that hold readings
     * @param correctClock whether readings get the time they would have with a right clock
     */
    public JobView start(UUID instrumentId, List<String> names, boolean correctClock) {
        instruments.get(instrumentId);
        return jobs.start(
                "read back",
                Sentence.of("intake.jobReadingBack"),
                instrumentId,
                progress -> run(instrumentId, names, correctClock, progress));
    }

    /** The work itself. */
    public Sentence run(UUID instrumentId, List<String> names, boolean correctClock, JobProgress progress)
            throws LinkException, PackageException {
        return instruments.withLink(instrumentId, Sentence.of("intake.purposeReadingBack"), (link, identity) -> {
            // A drive has no clock that could be asked: its times are taken as they are written.
            Optional<ClockState> state =
                    link.clock().map(shown -> state(instrumentId, shown)).filter(seen -> correctClock);
            List<InstrumentFile> files = link.catalogue().files().stream()
                    .filter(file -> !Loading.isLoaded(file))
                    .filter(file -> names.isEmpty() || names.contains(file.name()))
                    .toList();
            Sentence taken = new Run(instrumentId, link, state, progress, files).takeAll();
            transfers.settleClock(instrumentId, link);
            return taken;
        });
    }

    /** How the clock is, and what tells that it was set since it was last seen. */
    private ClockState state(UUID instrumentId, Instant shown) {
        ClockCorrection difference = ClockCorrection.between(shown, clock.instant());
        instruments.noteClock(instrumentId, difference);
        return ClockState.of(
                difference.isNeeded() ? difference : ClockCorrection.NONE,
                instruments.clockBefore(instrumentId),
                clock.instant());
    }

    /** Takes everything, with its times corrected by the clock as it is, and only then sets the clock. */
    public JobView startThenSetClock(UUID instrumentId) {
        instruments.get(instrumentId);
        return jobs.start("read back", Sentence.of("intake.jobReadingBackAndClock"), instrumentId, progress -> {
            Sentence taken = run(instrumentId, List.of(), true, progress);
            transfers.setClock(instrumentId);
            return Sentence.joined(List.of(taken, Sentence.of("intake.thenClock")));
        });
    }

    /** One read-back under way. */
    private final class Run {

        private final UUID instrumentId;
        private final Instrument link;
        private final Optional<ClockState> clockState;
        private final JobProgress progress;
        private final List<InstrumentFile> files;
        private final long total;
        private long done;
        private final List<Sentence> notUnderstood = new ArrayList<>();
        private OriginalIntake.Taken outcome = OriginalIntake.Taken.NOTHING;

        Run(
                UUID instrumentId,
                Instrument link,
                Optional<ClockState> clockState,
                JobProgress progress,
                List<InstrumentFile> files) {
            this.instrumentId = instrumentId;
            this.link = link;
            this.clockState = clockState;
            this.progress = progress;
            this.files = files;
            this.total = files.stream().mapToLong(InstrumentFile::bytes).sum();
        }

        Sentence takeAll() throws LinkException {
            for (InstrumentFile file : files) {
                take(file);
            }
            if (!notUnderstood.isEmpty()) {
                throw new DomainProblem.Conflict(
                        "not-understood", Sentence.joined(List.of(summary(), Sentence.joined(notUnderstood))));
            }
            return summary();
        }

        private void take(InstrumentFile file) throws LinkException {
            if (file.bytes() > ReadingsFile.LARGEST) {
                notUnderstood.add(
                        Sentence.of("intake.packageTooLarge", "file", file.name(), "size", file.bytes() >> 20));
                return;
            }
            String digest = link.digest(file.name());
            Optional<Originals.Kept> known = originals.find(instrumentId, digest);
            if (known.isPresent()) {
                originals.noteOnInstrument(instrumentId, digest);
                done += file.bytes();
                take(file, originals.spooled(known.get().id()), known::get);
            } else {
                PieceFetch.Fetched fetched =
                        pieces.fetch(instrumentId, link, file, digest, false, bytes -> arrived(file, bytes));
                take(
                        file,
                        fetched.file(),
                        () -> originals.keepArrived(fetched.transfer(), instrumentId, file.name(), fetched.file()));
            }
        }

        private void take(InstrumentFile file, Spool spool, Supplier<Originals.Kept> original) {
            progress.report(done, total, Sentence.of("intake.checking", "file", file.name()));
            try (spool) {
                outcome = outcome.plus(intake.take(original.get(), spool, instrumentId, clockState));
            } catch (PackageException e) {
                // One file that makes no sense keeps nobody from the others; its bytes are kept for a Rovek that
                // understands them.
                notUnderstood.add(Sentence.of("intake.notUnderstood", "file", file.name(), "why", e.sentence()));
            }
        }

        private void arrived(InstrumentFile file, long bytes) throws LinkException {
            done += bytes;
            progress.report(done, total, Sentence.of("intake.readingBackFile", "file", file.name()));
            if (progress.isStopRequested()) {
                throw new LinkException.Stopped();
            }
        }

        private Sentence summary() {
            if (files.isEmpty()) {
                return Sentence.of("intake.noReadings");
            }
            return outcome.sentence();
        }
    }
}
