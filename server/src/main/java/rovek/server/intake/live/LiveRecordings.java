package rovek.server.intake.live;

import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Service;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveRecord;
import rovek.core.live.LiveSample;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.intake.transfer.PackageFiles;
import rovek.server.plant.tree.Plant;
import rovek.server.rounds.visit.VisitIntake;

/**
 * Records what is watched. When it ends, what was recorded is packed as the instrument would have packed a run, kept as
 * an original and taken like any other. A recording whose server died is ended by another, or by the same when it is
 * back.
 */
@Service
class LiveRecordings {

    private static final Logger LOG = LoggerFactory.getLogger(LiveRecordings.class);
    private static final String RUN = "run";
    private static final int LONGEST_NAME = 80;
    /** From a server where nobody watched it so far. */
    private static final Duration FIRST_VALUE = Duration.ofSeconds(3);

    private static final int SHORTEST_MILLIS = 100;
    private static final int LONGEST_MILLIS = 3_600_000;

    private final LiveWatch watch;
    private final LiveRows rows;
    private final Plant plant;
    private final PackageFiles files;
    private final Clock clock;
    private final Duration leftBehind;
    private final ScheduledExecutorService looking = Executors.newSingleThreadScheduledExecutor();

    LiveRecordings(
            LiveWatch watch,
            LiveRows rows,
            Plant plant,
            PackageFiles files,
            Clock clock,
            @Value("${rovek.live.left-behind:PT1M}") Duration leftBehind) {
        this.watch = watch;
        this.rows = rows;
        this.plant = plant;
        this.files = files;
        this.clock = clock;
        this.leftBehind = leftBehind;
    }

    /**
     * What is to be recorded.
     *
     * @param id chosen by the caller: asked for twice it is begun once
     * @param checkId a check that takes runs; null for a loose reading
     */
    record RecordingDraft(
            UUID id,
            String name,
            int intervalMillis,
            @Nullable UUID checkId) {}

    /** @throws DomainProblem.Conflict where it shows nothing yet, or is being recorded already, at whichever server */
    void begin(LiveTarget target, RecordingDraft wanted) {
        String name = wanted.name().strip();
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid("name", Sentence.of("intake.recordingName", "most", LONGEST_NAME));
        }
        if (wanted.intervalMillis() < SHORTEST_MILLIS || wanted.intervalMillis() > LONGEST_MILLIS) {
            throw new DomainProblem.Invalid("intervalMillis", Sentence.of("intake.recordingInterval"));
        }
        if (wanted.checkId() != null
                && !plant.check(wanted.checkId()).technique().id().equals(RUN)) {
            throw new DomainProblem.Invalid("checkId", Sentence.of("intake.takesNoRuns"));
        }
        watch.watching(target, session -> {
            List<LiveChannel> channels = session.awaitChannels(FIRST_VALUE);
            if (channels.isEmpty()) {
                throw new DomainProblem.Conflict("nothing-live", Sentence.of("intake.noValueYet"));
            }
            LiveRows.Begun begun = new LiveRows.Begun(
                    wanted.id(),
                    target,
                    name,
                    session.source().model(),
                    session.source().serial(),
                    channels,
                    wanted.intervalMillis(),
                    Optional.ofNullable(wanted.checkId()),
                    clock.instant(),
                    AuditTrail.actor());
            if (!rows.begin(begun)) {
                rows.open(target)
                        .map(LiveRows.Open::begun)
                        .filter(other -> !other.id().equals(wanted.id()))
                        .ifPresent(other -> {
                            throw new DomainProblem.Conflict(
                                    "recorded-already",
                                    Sentence.of("intake.alreadyRecorded", "source", other.name(), "by", other.by()));
                        });
            }
            watch.recordingChanged(target);
            return null;
        });
    }

    void mark(LiveTarget target, String text) {
        String words = text.strip();
        if (words.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid("text", Sentence.of("intake.markerTooLong", "most", LONGEST_NAME));
        }
        LiveRecord.Mark mark = new LiveRecord.Mark(clock.instant(), words.isEmpty() ? "marked" : words);
        try {
            if (!rows.mark(requireOpen(target).id(), mark)) {
                throw new DomainProblem.Conflict(
                        "too-many-marks", Sentence.of("intake.mostMarkers", "most", LiveRows.MOST_MARKS));
            }
        } catch (LiveRows.Closed taken) {
            throw new DomainProblem.Conflict(
                    "taken-elsewhere", Sentence.of("intake.nothingMarked", "why", taken.sentence()));
        }
        watch.recordingChanged(target);
    }

    /** Ends a recording and takes it, whichever server records it; ended twice it is taken once. */
    VisitIntake.Outcome end(LiveTarget target) {
        LiveRows.Begun begun = requireOpen(target);
        try {
            watch.endRecording(target, begun.id(), () -> {
                if (!rows.close(begun.id(), clock.instant())) {
                    throw new LiveRows.Closed();
                }
            });
        } catch (LiveRows.Closed taken) {
            throw new DomainProblem.Conflict(
                    "taken-elsewhere", Sentence.of("intake.keptAsRun", "why", taken.sentence()));
        }
        return take(begun);
    }

    private LiveRows.Begun requireOpen(LiveTarget target) {
        return rows.open(target)
                .map(LiveRows.Open::begun)
                .orElseThrow(() -> new DomainProblem.Conflict("not-recording", Sentence.of("intake.notRecording")));
    }

    private VisitIntake.Outcome take(LiveRows.Begun begun) {
        rows.close(begun.id(), clock.instant());
        List<LiveSample> samples = rows.samples(begun.id());
        if (samples.isEmpty()) {
            rows.end(begun.id(), clock.instant());
            throw new DomainProblem.Conflict("nothing-recorded", Sentence.of("intake.emptyRecording"));
        }
        PackedReading reading = new PackedReading(
                "live-" + begun.id(),
                samples.get(0).at(),
                RUN,
                begun.check(),
                begun.name(),
                "recorded live",
                Optional.empty(),
                Map.of(),
                new PackedCapture.Plain(LiveRecord.of(begun.channels(), samples, rows.marks(begun.id()))));
        boolean isInstrument = begun.target().kind() == LiveTarget.Kind.INSTRUMENT;
        Maker maker = new Maker("Rovek", Optional.of(new Maker.MakingInstrument(begun.model(), begun.serial(), "")));
        Instant last = samples.get(samples.size() - 1).at();
        String file = "live-%s.zip".formatted(begun.id());
        byte[] packed = ReadingsPackage.pack(last, maker, Optional.empty(), List.of(reading));
        VisitIntake.Outcome outcome =
                isInstrument ? files.takeMadeHere(file, packed, begun.target().id()) : files.takeMadeHere(file, packed);
        rows.end(begun.id(), clock.instant());
        return outcome;
    }

    @EventListener(ApplicationReadyEvent.class)
    void lookForWhatWasLeft() {
        looking.scheduleWithFixedDelay(this::endWhatWasLeft, 0, leftBehind.toMillis() / 2, TimeUnit.MILLISECONDS);
    }

    /** In the name of whoever began it. */
    void endWhatWasLeft() {
        try {
            for (LiveRows.Begun left : rows.leftBehind(clock.instant().minus(leftBehind))) {
                if (watch.isRecording(left.id())) {
                    continue;
                }
                inTheNameOf(left, "was left behind", () -> take(left));
            }
            watch.full().forEach((target, begun) -> inTheNameOf(begun, "is as long as one may be", () -> end(target)));
        } catch (RuntimeException e) {
            LOG.warn("Recordings that were left behind cannot be looked for: {}", e.getMessage());
        }
    }

    private static void inTheNameOf(LiveRows.Begun begun, String why, Runnable work) {
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(begun.by(), null, List.of()));
        try {
            work.run();
            LOG.info("The recording {} {} and is taken now.", begun.name(), why);
        } catch (DomainProblem nothing) {
            LOG.info("The recording {} {}: {}", begun.name(), why, nothing.getMessage());
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    @PreDestroy
    void close() {
        looking.shutdownNow();
    }
}
